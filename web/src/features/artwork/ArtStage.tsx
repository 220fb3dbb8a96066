import { rich, t } from '../../words/index.ts';
import type { LinePrint, OrderLine } from '@saltflat/contract';
import type { ArtJob } from '@saltflat/core/artwork';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { ArtLayer, ArtPicture, ArtProbe } from '../../worker/artwork.worker.ts';
import { artworkTasks } from '../../worker/artworkClient.ts';
import { ArtCanvas } from './ArtCanvas.tsx';
import type { Place } from './ArtCanvas.tsx';
import type { Pointed } from './Findings.tsx';
import { outlineOf, printTop } from '@saltflat/core/placement';
import { isMask } from './layers.ts';
import type { Layer } from './layers.ts';
import { closePicture } from './useArtwork.ts';
import type { ArtState } from './useArtwork.ts';
import { Grow, Panel, Pressable, Swatch, TOKENS, styled } from '../../ui/index.ts';

interface Props {
  line: OrderLine;
  print: LinePrint;
  art: ArtState;
  artworkId: string;
  job: ArtJob;
  /** What the left half of a split view shows; `null` for no split. */
  beforeJob: ArtJob | null;
  beforeName: string;
  layers: readonly Layer[];
  layer: ArtLayer;
  system: UnitSystem;
  isOnGarment: boolean;
  pointed: Pointed | null;
  onLayer: (layer: ArtLayer) => void;
  onSplit: () => void;
  onGarment: () => void;
  onPick: ((at: { x: number; y: number }) => void) | null;
}

const NO_PLACES: readonly Place[] = [];

/** The picture with its layer keys above and what is under the pointer below. */
export function ArtStage(props: Props) {
  const {
    line,
    print,
    art,
    artworkId,
    job,
    beforeJob,
    beforeName,
    layers,
    layer,
    system,
    isOnGarment,
    pointed,
  } = props;
  const [zoomRoom, setZoomRoom] = useState<HTMLElement | null>(null);
  const [hovered, setHovered] = useState<ArtProbe | null>(null);
  const before = useBefore(artworkId, beforeJob);
  const probe = useProbe(artworkId, job, setHovered);
  const garment = useMemo(
    () =>
      isOnGarment
        ? {
            outline: outlineOf(line.styleKind, print.placement),
            top: printTop(print.placement, print.dropMm),
          }
        : null,
    [isOnGarment, line.styleKind, print.placement, print.dropMm],
  );
  const places = useMemo(() => {
    const finding = art.figures?.findings.find(({ code }) => code === pointed?.code);
    if (!finding || !pointed || layer === 'art') return NO_PLACES;
    const first = finding.places[pointed.place];
    return first ? [first, ...finding.places.filter((place) => place !== first)] : NO_PLACES;
  }, [art.figures, pointed, layer]);
  const shown = layers.find((one) => one.layer === layer);
  const split = before ? 'x' : null;
  return (
    <Panel label={t('Picture')} style={{ display: 'flex', flexDirection: 'column' }}>
      <LayerKeys role="group" aria-label={t('Layers')}>
        {layers.map((one) => (
          <LayerKey
            key={one.layer}
            look="words"
            isPressed={layer === one.layer}
            title={one.says}
            onClick={() => props.onLayer(one.layer)}
          >
            {one.name} <kbd>{one.key}</kbd>
          </LayerKey>
        ))}
        <Grow />
        <LayerKey
          look="words"
          isPressed={beforeJob !== null}
          title={t('Left: {beforeName}. [ and ] move the line', { beforeName })}
          onClick={props.onSplit}
        >
          {rich('Split {key}', { key: <kbd>x</kbd> })}
        </LayerKey>
        <LayerKey
          look="words"
          isPressed={isOnGarment}
          title={t('The print to scale on a middle size of the garment')}
          onClick={props.onGarment}
        >
          {rich('Outline {key}', { key: <kbd>o</kbd> })}
        </LayerKey>
      </LayerKeys>
      <div className="art-frame" style={{ background: job.garment }} data-busy={art.isStale}>
        {art.picture && (
          <ArtCanvas
            picture={art.picture}
            before={split && before}
            garment={garment}
            garmentHex={job.garment}
            system={system}
            places={places}
            label={t('{art}: {layer}; plus and minus zoom, arrows move, 0 fits, 1 and 8 show single pixels', {
              art: print.artwork?.name ?? t('Artwork'),
              layer: shown?.says ?? '',
            })}
            onHover={probe}
            onPick={props.onPick}
            zoomRoom={zoomRoom}
          />
        )}
      </div>
      <Readings className="small">
        {props.onPick ? (
          <strong>{t('Click the colour to take out.')}</strong>
        ) : hovered ? (
          <Readout at={hovered} system={system} />
        ) : (
          <span className="muted">
            {shown?.says}
            {isMask(layer) && art.isStale ? t(' (shown once every pixel is measured)') : ''}
          </span>
        )}
        <Grow />
        <span ref={setZoomRoom} />
      </Readings>
    </Panel>
  );
}

const LayerKeys = styled('div')({
  display: 'flex',
  flexWrap: 'wrap',
  gap: 2,
  padding: '6px 8px',
  borderBottom: `1px solid ${TOKENS.hairline}`,
});
const LayerKey = styled(Pressable)({
  minHeight: 30,
  padding: '0 6px',
  fontSize: 13,
  whiteSpace: 'nowrap',
  color: 'inherit',
  textDecoration: 'none',
  '& kbd': { marginLeft: 0, padding: '0 3px' },
  '&:hover': { background: TOKENS.brinePale },
  '&[aria-pressed="true"], &[aria-pressed="true"]:hover': { background: TOKENS.brine, color: TOKENS.surface },
});
const Readings = styled('div')({
  display: 'flex',
  gap: 12,
  alignItems: 'center',
  flexWrap: 'wrap',
  minHeight: 30,
  padding: '2px 12px',
  borderTop: `1px solid ${TOKENS.hairline}`,
});

function Readout({ at, system }: { at: ArtProbe; system: UnitSystem }) {
  const width =
    at.widthMm === null
      ? t('no shape')
      : at.widthMm === 'more'
        ? t('wider than {width}', { width: formatQuantity(10, 'length', system) })
        : t('{width} wide', {
            width: formatQuantity(at.widthMm, 'length', system, system.length === 'mm' ? 2 : 3),
          });
  return (
    <span className="nowrap">
      {at.alpha > 0 && (
        <>
          <Swatch hex={at.hex} /> <span className="code">{at.hex}</span>,{' '}
        </>
      )}
      {t('alpha {alpha} %, white {white} %, {width}', {
        alpha: Math.round(100 * at.alpha),
        white: Math.round(100 * at.white),
        width,
      })}
    </span>
  );
}

/** The picture on the left of a split view. */
function useBefore(artworkId: string, job: ArtJob | null): ArtPicture | null {
  const [picture, setPicture] = useState<ArtPicture | null>(null);
  const key = job && JSON.stringify(job);
  useEffect(() => {
    const now = { isCurrent: true };
    if (key === null) setPicture(null);
    else
      artworkTasks
        .ask('picture', { artworkId, job: JSON.parse(key) as ArtJob, layer: 'composite', detail: 'draft' })
        .answer.then((made) => (now.isCurrent ? setPicture(made) : closePicture(made)))
        .catch(() => undefined); // the other half still shows
    return () => {
      now.isCurrent = false;
    };
  }, [artworkId, key]);
  useEffect(
    () => () => {
      if (picture) closePicture(picture);
    },
    [picture],
  );
  return picture;
}

/** Asks what is under the pointer, one question at a time: the newest wins. */
function useProbe(
  artworkId: string,
  job: ArtJob,
  onAnswer: (probe: ArtProbe | null) => void,
): (at: { x: number; y: number } | null) => void {
  const waiting = useRef<{ x: number; y: number } | null>(null);
  const isAsking = useRef(false);
  return (at) => {
    waiting.current = at;
    if (at === null) onAnswer(null);
    if (isAsking.current || at === null) return;
    isAsking.current = true;
    const ask = async (): Promise<void> => {
      for (let next = waiting.current; next; next = waiting.current) {
        waiting.current = null;
        const { x, y } = next;
        onAnswer(await artworkTasks.ask('probe', { artworkId, job, x, y }).answer);
      }
    };
    void ask()
      .catch(() => onAnswer(null))
      .finally(() => (isAsking.current = false));
  };
}
