import type { WaitingTransfers } from '@saltflat/contract';
import { cutsOf, sheetLengthOf } from '@saltflat/core/film';
import type { FilmAnswer, FilmLayout, FilmProblem, LayoutFault } from '@saltflat/core/film';
import { formatDuration, formatQuantity } from '@saltflat/core/units';
import { useMoney, useUnits } from '../../units/writingSlice.ts';
import { Button, Note, Panel, SimpleTable, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { workOf } from './workOf.ts';

interface Props {
  transfers: readonly WaitingTransfers[];
  problem: FilmProblem;
  layout: FilmLayout;
  faults: readonly LayoutFault[];
  /** Pieces that were chosen after the layout was made. */
  missing: number;
  /** What is left on the roll before; `null` where there is enough. */
  rollLeftMm: number | null;
  centsPerM2: number | null;
  /** What the last search found; nothing where there was none yet. */
  answer: FilmAnswer | null;
  onTake: (layout: FilmLayout) => void;
}

/** What a layout takes: film against the bound, cuts, money; and the offer that straight cuts take apart. */
export function FiguresPanel(props: Props) {
  const { transfers, problem, layout, faults, missing, rollLeftMm, centsPerM2, answer, onTake } = props;
  const units = useUnits();
  const money = useMoney();
  const length = (mm: number): string => formatQuantity(mm, 'length', units);
  const areaM2 = (mm: number): number => (mm * problem.film.widthMm) / 1e6;
  const cost = (mm: number): string => (centsPerM2 === null ? t('no price') : money(areaM2(mm) * centsPerM2));
  const cuts = cutsOf(problem, layout.placements);
  const pieces = layout.placements.length;
  const bound = answer?.bound ?? null;
  const work = workOf(transfers, layout.placements, cuts);
  const rows = [
    { what: t('Sheets'), value: String(layout.sheets) },
    {
      what: t('Film'),
      value: `${length(layout.lengthMm)} · ${formatQuantity(areaM2(layout.lengthMm), 'area', units)}`,
    },
    ...(rollLeftMm === null || layout.lengthMm > rollLeftMm
      ? []
      : [{ what: t('Then left on the roll'), value: length(Math.floor(rollLeftMm - layout.lengthMm)) }]),
    { what: t('Film costs'), value: cost(layout.lengthMm) },
    ...(centsPerM2 === null || pieces === 0
      ? []
      : [{ what: t('A transfer'), value: money((areaM2(layout.lengthMm) * centsPerM2) / pieces) }]),
    { what: t('Straight cuts'), value: String(cuts.straight) },
    { what: t('Cut out by hand'), value: t('{n} of {of}', { n: cuts.byHand, of: pieces }) },
    { what: t('Cutting, about'), value: formatDuration(work.cuttingS) },
    { what: t('On the printer'), value: formatDuration(work.printS) },
    { what: t('Powder that stays'), value: formatQuantity(work.powderG, 'mass', units) },
    {
      what: t('Orders whole on one sheet'),
      value: t('{n} of {of}', { n: work.wholeOrders, of: work.orders }),
    },
    ...(bound
      ? [
          {
            what: t('No layout takes less than'),
            value:
              problem.film.kind === 'sheet' ? t('{n} sheets', { n: bound.sheets }) : length(bound.lengthMm),
          },
        ]
      : []),
  ];
  return (
    <Panel title={t('What it takes')}>
      <SimpleTable
        label={t('What it takes')}
        isHeadHidden
        columns={[
          { key: 'what', title: t('What'), cell: ({ what }: { what: string }) => what },
          { key: 'value', title: t('Value'), isNumber: true, cell: ({ value }: { value: string }) => value },
        ]}
        rows={rows}
        keyOf={({ what }) => what}
      />
      <Stack gap={8} pad={12}>
        {missing > 0 && (
          <Note tone="caution" role="status">
            {t('Not on film yet: {n} pieces. Lay out again.', { n: missing })}
          </Note>
        )}
        {faults.length > 0 && (
          <Note tone="alarm" role="status">
            {t(
              'Not right yet, {n} times: drawn with a broken line is what lies too near another or over the edge.',
              { n: faults.length },
            )}
          </Note>
        )}
        {rollLeftMm !== null && layout.lengthMm > rollLeftMm && (
          <Note tone="caution" role="status">
            {t('The roll ends after {n} of {of} sheets: {length} more are wanted, from another.', {
              n: sheetsWithin(problem, layout, rollLeftMm),
              of: layout.sheets,
              length: length(Math.ceil(layout.lengthMm - rollLeftMm)),
            })}
          </Note>
        )}
        {layout.unplaced.map(({ itemId, count, neededWidthMm, neededHeightMm }) => (
          <Note key={itemId} tone="alarm">
            {t('{count} pieces fit nowhere: they take film of {width} × {height}.', {
              count,
              width: length(neededWidthMm),
              height: length(neededHeightMm),
            })}
          </Note>
        ))}
        {answer?.rows && answer.rows.placements !== answer.best.placements && (
          <Offer
            words={offerWords(answer, problem, length, cost)}
            isTaken={layout.placements === answer.rows.placements}
            onTake={() => answer.rows && onTake(answer.rows)}
            onBest={() => onTake(answer.best)}
          />
        )}
      </Stack>
    </Panel>
  );
}

/** Whole sheets that a roll gives before it ends. */
function sheetsWithin(problem: FilmProblem, { placements, sheets }: FilmLayout, leftMm: number): number {
  const lengthOf = sheetLengthOf(problem, placements);
  let left = leftMm;
  for (let sheet = 0; sheet < sheets; sheet++) if ((left -= lengthOf(sheet)) < 0) return sheet;
  return sheets;
}

function offerWords(
  { best, rows }: FilmAnswer,
  problem: FilmProblem,
  length: (mm: number) => string,
  cost: (mm: number) => string,
): string {
  if (rows === null) return '';
  const byHand = cutsOf(problem, best.placements).byHand;
  const more = rows.lengthMm - best.lengthMm;
  if (more <= 0) return t('In rows it takes as much film, and straight cuts take it all apart.');
  return t('In rows it takes {film} more film ({cost}), and saves {n} cuts by hand.', {
    film: length(more),
    cost: cost(more),
    n: byHand,
  });
}

interface OfferProps {
  words: string;
  isTaken: boolean;
  onTake: () => void;
  onBest: () => void;
}

const Offer = ({ words, isTaken, onTake, onBest }: OfferProps) => (
  <Note
    tone="info"
    actions={
      isTaken ? (
        <Button size="small" onClick={onBest}>
          {t('Take the closest')}
        </Button>
      ) : (
        <Button size="small" onClick={onTake}>
          {t('Take the rows')}
        </Button>
      )
    }
  >
    {words}
  </Note>
);
