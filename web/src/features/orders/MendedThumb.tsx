import { t } from '../../words/index.ts';
import type { GarmentStyle } from '@saltflat/contract';
import { equipmentOf, garmentOf } from '@saltflat/contract/equipment';
import type { ArtJob } from '@saltflat/core/artwork';
import { artJobFor } from '@saltflat/core/route';
import { useEffect, useRef, useState } from 'react';
import { useCatalogueQuery } from '../../api/catalogueApi.ts';
import { artworkTasks } from '../../worker/artworkClient.ts';
import { ArtThumb } from './ArtThumb.tsx';
import type { PrintValues } from './orderFormValues.ts';

interface Props {
  print: PrintValues;
  style: GarmentStyle;
  colourId: string;
  size: number;
}

/** A print's art as it is made ready, on the garment it is printed on; the bare file until that is drawn, or where it cannot be. */
export default function MendedThumb({ print, style, colourId, size }: Props) {
  const { data: catalogue } = useCatalogueQuery();
  const colour = style.colours.find(({ id }) => id === colourId);
  const { artwork, id, process, widthMm, preparation } = print;
  const canvas = useRef<HTMLCanvasElement>(null);
  const [drawn, setDrawn] = useState('');
  const job =
    catalogue && colour && widthMm !== null
      ? artJobFor({
          ...{ id, process, widthMm, preparation },
          garment: garmentOf(style, colour),
          equipment: equipmentOf(catalogue),
        })
      : null;
  const jobKey = JSON.stringify(job);
  const artworkId = artwork?.id ?? null;
  useEffect(() => {
    const own = JSON.parse(jobKey) as ArtJob | null;
    if (own === null || artworkId === null) return;
    let isWanted = true;
    void artworkTasks
      .ask('picture', { artworkId, job: own, layer: 'composite', detail: 'draft' })
      .answer.then(({ bitmap, small }) => {
        if (isWanted && canvas.current) {
          canvas.current.width = bitmap.width;
          canvas.current.height = bitmap.height;
          canvas.current.getContext('2d')?.drawImage(bitmap, 0, 0);
          setDrawn(jobKey);
        }
        bitmap.close();
        small.close();
      })
      .catch(() => undefined); // the bare file stays to be seen, and the artwork’s own page says why
    return () => {
      isWanted = false;
    };
  }, [artworkId, jobKey]);
  return (
    <>
      {drawn !== jobKey && (
        <ArtThumb
          artworkId={artworkId}
          colourHex={colour?.hex ?? '#ffffff'}
          size={size}
          alt={artwork?.name ?? ''}
        />
      )}
      <canvas
        ref={canvas}
        role="img"
        aria-label={t('{art}, mended', { art: artwork?.name ?? '' })}
        hidden={drawn !== jobKey}
        style={{ maxWidth: size, maxHeight: size, border: '1px solid var(--hairline)', borderRadius: 4 }}
      />
    </>
  );
}
