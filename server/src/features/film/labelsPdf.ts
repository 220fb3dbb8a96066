import { countOf } from '@saltflat/contract/filmJob';
import type { FilmLayout, WaitingTransfers } from '@saltflat/contract';
import { labelSheet } from '../../pdf/index.ts';
import type { Label, Paper, PaperWords, PaperWriting } from '../../pdf/index.ts';

/** What the bags of a layout’s transfers are labelled with. */
export interface LabelSheet {
  layout: FilmLayout;
  madeAt: string;
}

/** Labels for each line’s print: whose it is, how many, what it is made with, and its code as bars. */
export const labelsPdf = (
  { layout, madeAt }: LabelSheet,
  writing: PaperWriting,
  paper: Paper,
): Promise<Buffer> =>
  labelSheet(
    (words) => ({
      title: words.t('Labels {code}', { code: layout.code }),
      labels: layout.document.transfers.map((own) => labelOf(words, layout, own)),
    }),
    { madeAt, writing, paper },
  );

function labelOf(words: PaperWords, { code, document }: FilmLayout, own: WaitingTransfers): Label {
  const pieces = countOf(own) - own.spares;
  const count =
    own.spares > 0
      ? words.t('{n} pieces and {spares} spare', { n: pieces, spares: own.spares })
      : words.t('{n} pieces', { n: pieces });
  const sizes = own.sizes.map(
    ({ widthMm, heightMm }) => `${words.q(widthMm, 'length')} × ${words.q(heightMm, 'length')}`,
  );
  return {
    code: own.code,
    lines: [
      own.customer,
      `${words.t(own.place)}, ${own.garment}`,
      `${count}  ·  ${sizes.join(', ')}`,
      [document.film.name, document.powder?.name ?? words.t('no powder')].join('  ·  '),
    ],
    foot: words.t('{layout}, due {day}', { layout: code, day: words.weekday(own.dueAt) }),
  };
}
