import { t } from '../../words/index.ts';
import type { Artwork, GarmentStyle } from '@saltflat/contract';
import { useState } from 'react';
import { useAttempt } from '../../api/useAttempt.ts';
import type { Sent } from '../../api/useAttempt.ts';
import { placeToPaste, roomFor, withArtAsLines, withArtAsPrints } from './orderFormValues.ts';
import type { LineValues } from './orderFormValues.ts';
import { useUploadArtworkMutation } from './ordersApi.ts';
import { sendArt } from './sendArt.ts';
import { SeveralFiles } from './SeveralFiles.tsx';
import { usePastedFiles } from './usePastedFiles.ts';
import { Progress, Refusal } from '../../ui/index.ts';

/** Files for one print of a line, or for what is made of them. */
export interface Dropped {
  /** Of the order, from 0. */
  line: number;
  print: string;
  files: File[];
}

interface Props {
  styles: readonly GarmentStyle[];
  getLines: () => LineValues[];
  setLines: (lines: LineValues[]) => void;
  /** Several files that somebody dropped on one print. */
  dropped: Dropped | null;
  onDropped: (dropped: Dropped | null) => void;
}

/** Art that comes otherwise than one file on one print: pasted, or several at once. */
export function ArtIntake({ styles, getLines, setLines, dropped, onDropped }: Props) {
  const [upload] = useUploadArtworkMutation();
  const [sent, setSent] = useState<number | null>(null);
  const attempt = useAttempt();
  const send = async (files: readonly File[]): Promise<Sent<Artwork[]>> => {
    const outcome = await sendArt(files, upload, setSent);
    setSent(null);
    return outcome;
  };
  /** Sends them, then puts what is made of the line in its place. */
  const take = (
    { line, files }: Dropped,
    as: (line: LineValues, art: readonly Artwork[]) => readonly LineValues[],
  ): void =>
    void attempt.make(
      'take',
      () => send(files),
      (art) => {
        // of the order as it is by now: something may have been typed meanwhile
        setLines(getLines().flatMap((own, i) => (i === line ? as(own, art) : [own])));
        onDropped(null);
      },
    );
  usePastedFiles((files) => {
    const at = { ...placeToPaste(getLines()), files };
    if (files.length > 1) onDropped(at);
    else take(at, (own, art) => withArtAsLines(own, at.print, art));
  });
  const line = dropped ? getLines()[dropped.line] : undefined;
  if (!dropped || !line)
    return (
      <>
        {sent !== null && <Progress words={t('Reading what was pasted')} share={null} />}
        <Refusal {...attempt.refusal('take')} />
      </>
    );
  const style = styles.find(({ id }) => id === line.styleId);
  return (
    <SeveralFiles
      names={dropped.files.map(({ name }) => name)}
      line={dropped.line + 1}
      room={roomFor(style, line)}
      sent={sent}
      refusal={attempt.refusal('take')}
      onLines={() => take(dropped, (own, art) => withArtAsLines(own, dropped.print, art))}
      onPrints={() => take(dropped, (own, art) => [withArtAsPrints(style, own, dropped.print, art)])}
      onClose={() => onDropped(null)}
    />
  );
}
