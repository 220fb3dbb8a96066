import { rich, t } from '../../words/index.ts';
import type { Artwork, GarmentStyle } from '@saltflat/contract';
import { PLACEMENTS } from '@saltflat/core/placement';
import { PROCESSES } from '@saltflat/core/route';
import { useState } from 'react';
import { useAttempt } from '../../api/useAttempt.ts';
import type { Sent } from '../../api/useAttempt.ts';
import { useUnits } from '../../units/writingSlice.ts';
import { ART_FILES } from './ArtDrop.tsx';
import { TABLE_COLUMNS, orderFromTable } from './orderFromTable.ts';
import type { OrderTablePlan, TableLine, TableRow } from './orderFromTable.ts';
import { useUploadArtworkMutation } from './ordersApi.ts';
import { sendArt } from './sendArt.ts';
import {
  Button,
  Dialog,
  FileDrop,
  Progress,
  Refusal,
  SimpleTable,
  readCsv,
  saveCsv,
} from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';

interface Props {
  styles: readonly GarmentStyle[];
  onFill: (plan: OrderTablePlan) => void;
  onClose: () => void;
}

const ACCEPT = { 'text/csv': ['.csv'], ...ART_FILES };

/** A whole order from a table with its art beside it: first what it would be, then it fills the form. */
export default function OrderTableDialog({ styles, onFill, onClose }: Props) {
  const system = useUnits();
  const [table, setTable] = useState<{ name: string; rows: TableRow[] } | null>(null);
  const [art, setArt] = useState<readonly File[]>([]);
  const [problem, setProblem] = useState('');
  const [upload] = useUploadArtworkMutation();
  const [sent, setSent] = useState<number | null>(null);
  const attempt = useAttempt();
  const plan = table && orderFromTable(table.rows, { styles, files: art.map(({ name }) => name), system });
  const take = async (files: readonly File[]): Promise<void> => {
    const tables = files.filter(({ name }) => name.toLowerCase().endsWith('.csv'));
    setArt((before) => newest([...before, ...files.filter((file) => !tables.includes(file))]));
    setProblem(tables.length > 1 ? t('One table at a time: the first is taken.') : '');
    if (tables[0]) setTable({ name: tables[0].name, rows: await readCsv(tables[0]) });
  };
  const fill = (done: OrderTablePlan): void =>
    void attempt.make('fill', async () => withArt(done, art, upload, setSent), onFill);
  const missing = plan?.lines.flatMap(({ files }) => files.filter(({ isThere }) => !isThere)) ?? [];
  const isSound = plan !== null && plan.problems.length === 0 && plan.lines.length > 0;
  return (
    <Dialog
      title={t('An order from a table')}
      width="lg"
      onClose={onClose}
      actions={
        <>
          <Button onClick={() => void saveCsv('order-example', exampleOf(styles))}>
            {t('An example table')}
          </Button>
          <Button onClick={onClose}>{t('Leave it')}</Button>
          <Button
            look="primary"
            disabled={!isSound}
            isBusy={attempt.isBusy('fill')}
            onClick={() => plan && fill(plan)}
          >
            {plan && plan.lines.length > 0
              ? plan.lines.length === 1
                ? t('Fill the order with one line')
                : t('Fill the order with {count} lines', { count: plan.lines.length })
              : t('Fill the order')}
          </Button>
        </>
      }
    >
      <p>
        {rich(
          'One row a size, with the headings {columns}. Drop the table together with the art it names; nothing is taken in before you say so.',
          { columns: TABLE_COLUMNS.join(', ') },
        )}
      </p>
      <FileDrop
        label={t('The table and its art')}
        accept={ACCEPT}
        acceptWords="CSV table or PNG, JPEG, TIFF or SVG"
        words={t('Choose the files')}
        isBusy={false}
        problem={problem}
        isEmpty={table === null}
        isMany
        onFiles={(files) => void take(files)}
      >
        <p className="muted">
          {table === null
            ? t('Drop a CSV table and its art here')
            : t('{name}, rows: {rows}, art files: {files}', {
                name: table.name,
                rows: table.rows.length,
                files: art.length,
              })}
        </p>
      </FileDrop>
      {plan && plan.problems.length > 0 && (
        <div role="alert">
          <p>
            {plan.problems.length === 1
              ? t('One row in {name} cannot be taken: mend it and drop the table again.', {
                  name: table?.name ?? '',
                })
              : t('{count} places in {name} cannot be taken: mend them and drop the table again.', {
                  count: plan.problems.length,
                  name: table?.name ?? '',
                })}
          </p>
          <SimpleTable
            label={t('What cannot be taken')}
            columns={PROBLEM_COLUMNS}
            rows={plan.problems}
            keyOf={({ row, words }) => `${row} ${words}`}
          />
        </div>
      )}
      {isSound && (
        <>
          <p role="status">
            {missing.length === 0
              ? t('This is what it would be:')
              : missing.length === 1
                ? t(
                    'This is what it would be; one art file is not among those dropped: drop it too, or go on and add it later.',
                  )
                : t(
                    'This is what it would be; {count} art files are not among those dropped: drop them too, or go on and add them later.',
                    { count: missing.length },
                  )}
          </p>
          <SimpleTable
            label={t('What the order would be')}
            columns={LINE_COLUMNS}
            rows={plan.lines.map((own, i) => ({ ...own, number: i + 1 }))}
            keyOf={({ number }) => number}
          />
        </>
      )}
      {sent !== null && attempt.isBusy('fill') && <Progress words={t('Reading the art')} share={sent} />}
      <Refusal {...attempt.refusal('fill')} />
    </Dialog>
  );
}

/** A file dropped again under the same name stands for the one before. */
const newest = (files: readonly File[]): File[] => [
  ...new Map(files.map((file) => [file.name, file])).values(),
];

/** The plan with its art sent; each file once. */
async function withArt(
  plan: OrderTablePlan,
  files: readonly File[],
  upload: (file: File) => Promise<Sent<Artwork>>,
  onSent: (share: number) => void,
): Promise<Sent<OrderTablePlan>> {
  const named = new Set(plan.lines.flatMap((own) => own.files.map(({ name }) => name)));
  const wanted = files.filter(({ name }) => named.has(name));
  const { data: art, error } = await sendArt(wanted, upload, (count) => onSent(count / wanted.length));
  if (!art) return { error };
  const known = new Map(wanted.map(({ name }, i) => [name, art[i] ?? null]));
  const artOf = ({ files: own }: TableLine, print: string): Artwork | null =>
    known.get(own.find((file) => file.print === print)?.name ?? '') ?? null;
  const lines = plan.lines.map((own) => ({
    ...own,
    line: {
      ...own.line,
      prints: own.line.prints.map((print) => ({ ...print, artwork: artOf(own, print.id) })),
    },
  }));
  return { data: { ...plan, lines } };
}

const PROBLEM_COLUMNS: TableColumn<OrderTablePlan['problems'][number]>[] = [
  { key: 'row', title: t('Row'), isNumber: true, cell: ({ row }) => row },
  { key: 'words', title: t('What is wrong, and what would be right'), cell: ({ words }) => words },
];

const LINE_COLUMNS: TableColumn<TableLine & { number: number }>[] = [
  { key: 'line', title: t('Line'), isNumber: true, cell: ({ number }) => number },
  { key: 'garment', title: t('Garment'), cell: ({ garment }) => garment },
  {
    key: 'sizes',
    title: t('Sizes'),
    cell: ({ line }) =>
      Object.entries(line.quantities)
        .map(([size, quantity]) => `${quantity} × ${size}`)
        .join(', '),
  },
  {
    key: 'prints',
    title: t('Prints'),
    cell: ({ line, files }) =>
      line.prints.map(({ id, placement }) => {
        const file = files.find(({ print }) => print === id);
        return (
          <div key={id}>
            {t(PLACEMENTS[placement].label)}:{' '}
            {file
              ? file.isThere
                ? `● ${file.name}`
                : t('◆ {name}, not dropped yet', { name: file.name })
              : t('no art')}
          </div>
        );
      }),
  },
];

/** Two made-up lines on a garment of the shop's own, as a table. */
function exampleOf(styles: readonly GarmentStyle[]): string[][] {
  const style = styles[0];
  const colour = style?.colours[0]?.name ?? '';
  const sizes = style?.sizes.map(({ size }) => size) ?? [];
  const row = (size: string, quantity: string, place: string, art: string): string[] =>
    ['Example customer', '2031-02-28 17:00', '', '1', style?.name ?? '', colour, size, quantity, place, '', '', art]; // prettier-ignore
  return [
    [...TABLE_COLUMNS],
    row(sizes[0] ?? '', '4', 'full-front', 'front.png'),
    row(sizes[1] ?? sizes[0] ?? '', '6', 'full-front', 'front.png'),
    row(sizes[0] ?? '', '4', 'back', 'back.png'),
    [...row(sizes[0] ?? '', '12', 'left-chest', 'badge.png').slice(0, 3), '2', ...row(sizes[0] ?? '', '12', 'left-chest', 'badge.png').slice(4, 9), '90 mm', PROCESSES[0] ?? '', 'badge.png'], // prettier-ignore
  ];
}
