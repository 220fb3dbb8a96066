import type { ShelfPacket } from '@saltflat/contract';
import { ageOf } from '@saltflat/core/shelf';
import { labelSheet } from '../../pdf/index.ts';
import type { Label, Paper, PaperWords, PaperWriting } from '../../pdf/index.ts';

/** What packets on the shelf are labelled with. */
export interface ShelfLabels {
  packets: readonly ShelfPacket[];
  madeAt: string;
}

/** Labels that say all a stranger must know to press a packet’s transfers. */
export const shelfLabelsPdf = (
  { packets, madeAt }: ShelfLabels,
  writing: PaperWriting,
  paper: Paper,
): Promise<Buffer> =>
  labelSheet(
    (words) => ({
      title: words.t('Shelf labels'),
      labels: packets.map((own) => labelOf(words, own, Date.parse(madeAt))),
    }),
    { madeAt, writing, paper },
  );

function labelOf(words: PaperWords, packet: ShelfPacket, nowMs: number): Label {
  const { code, name, widthMm, left, cure, madeAt, instructions } = packet;
  const { pressC, dwellS, kPa, sheet, peel, pull, secondPressS } = instructions;
  const { bestBeforeMs } = ageOf({ ...packet, madeMs: Date.parse(madeAt) }, nowMs);
  const span = ({ min, max }: { min: number; max: number }, kind: 'temperature' | 'duration'): string =>
    min === max ? words.q(min, kind) : `${words.q(min, kind)} – ${words.q(max, kind)}`;
  return {
    code,
    lines: [
      name,
      words.t('{n} transfers, {width} wide', { n: left, width: words.q(widthMm, 'length') }),
      words.t('Press {heat}, {dwell}, {pressure}, under {sheet}', {
        heat: span(pressC, 'temperature'),
        dwell: span(dwellS, 'duration'),
        pressure: words.q(kPa, 'pressure'),
        sheet: words.t(sheet.replaceAll('-', ' ')),
      }),
      [
        words.t(PEELS[peel]),
        words.t(pull === 'fast' ? 'one fast pull' : 'slow and low'),
        secondPressS > 0
          ? words.t('press again {dwell}', { dwell: words.q(secondPressS, 'duration') })
          : words.t('no second press'),
      ].join('  ·  '),
    ],
    foot: words.t('{cure}, made {made}, best before {before}', {
      cure: words.t(cure === 'full' ? 'Fused' : 'Lightly cured'),
      made: words.date(madeAt),
      before: words.date(new Date(bestBeforeMs).toISOString()),
    }),
  };
}

const PEELS = { hot: 'Peel hot', warm: 'Peel warm', cold: 'Peel cold' } as const;
