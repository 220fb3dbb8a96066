import type { Catalogue, PlanGround, PressChecks } from '@saltflat/contract';
import { pressPlates } from '@saltflat/contract/pressPlates';
import type { CoverSheet } from '@saltflat/core/route';
import { surveyDueMs } from '@saltflat/core/press';
import { HUMID_PCT, useDevice } from '../../api/liveSlice.ts';
import { useUpkeepQuery } from '../../api/careApi.ts';
import { usePressesQuery } from '../../api/pressesApi.ts';
import { serverNow } from '../../api/serverClock.ts';
import { useShelfWishesQuery } from '../../api/shelfApi.ts';
import { t } from '../../words/index.ts';

/** Something worth knowing today, and where it leads. */
export interface Known {
  key: string;
  mark: '◆' | '○';
  words: string;
  to: string;
}

/** What the room’s air, machines, sheets and shelf say today; what needs somebody first. */
export function useWorthKnowing(
  catalogue: Catalogue,
  { hasPowder, short }: { hasPowder: boolean } & Pick<PlanGround, 'short'>,
): Known[] {
  const { data: upkeep } = useUpkeepQuery();
  const { data: presses } = usePressesQuery();
  const { data: shelf } = useShelfWishesQuery();
  const humidity = useDevice('hygrometer')?.value ?? null;
  const known: Known[] = [];
  if (humidity !== null && humidity > HUMID_PCT && hasPowder)
    known.push({
      key: 'humid',
      mark: '◆',
      words: t('{n} % humidity: powder clings to bare film. Dry the room before the film is powdered.', {
        n: humidity,
      }),
      to: '/devices',
    });
  for (const { machineId, machine, title, standing, task } of upkeep?.tasks ?? [])
    if (standing === 'due')
      known.push({
        key: `${machineId} ${task}`,
        mark: '◆',
        words: t('{machine}: {task} is due', { machine, task: lowered(title) }),
        to: '/shop/upkeep',
      });
  known.push(...surveysDue(catalogue, presses));
  for (const { materialId, name, missing } of shelf?.wishes ?? [])
    if (missing > 0)
      known.push({
        key: `shelf ${materialId}`,
        mark: '◆',
        words: t('{name}: {n} fewer on the shelf than are kept ready', { name, n: missing }),
        to: '/film/shelf',
      });
  for (const { id, name, stock, needs, stockUnit } of short)
    known.push({
      key: `short ${id}`,
      mark: '◆',
      words: t('{name}: {needs} for what is due within a week, {stock} noted as there', {
        name,
        needs: counted(needs, stockUnit),
        stock: counted(stock, stockUnit),
      }),
      to: `/shop/materials/${id}`,
    });
  known.push(...wornSheets(catalogue));
  return known.sort((p, q) => Number(p.mark === '○') - Number(q.mark === '○'));
}

/** An amount as the shop counts it, to three figures. */
const counted = (amount: number, unit: string): string =>
  `${Number(amount.toPrecision(3)).toLocaleString()} ${unit}`.trim();

const lowered = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** Presses that were never surveyed, or long ago. */
function surveysDue({ machines }: Catalogue, presses: PressChecks | undefined): Known[] {
  return pressPlates(machines).flatMap(({ id, name }): Known[] => {
    const survey = presses?.find(({ machineId }) => machineId === id)?.survey;
    if (survey === undefined) return []; // not read yet
    if (survey !== null && serverNow() <= surveyDueMs(survey.at)) return [];
    return [
      {
        key: `survey ${id}`,
        mark: '○',
        words:
          survey === null
            ? t('{name} was never surveyed: nobody knows where it is cold', { name })
            : t('{name} is due for a survey', { name }),
        to: `/presses/${id}`,
      },
    ];
  });
}

/** Cover sheets that have done what they can, or nearly. */
function wornSheets({ materials }: Catalogue): Known[] {
  return materials.flatMap(({ id, kind, name, properties }): Known[] => {
    if (kind !== 'cover-sheet') return [];
    const { uses, usesSoFar } = properties as unknown as Pick<CoverSheet, 'uses' | 'usesSoFar'>; // checked when it was stored
    if (usesSoFar < NEARLY * uses) return [];
    return [
      {
        key: `sheet ${id}`,
        mark: usesSoFar >= uses ? '◆' : '○',
        words: t('{name} has done {used} of {uses} presses', { name, used: usesSoFar, uses }),
        to: `/shop/materials/${id}`,
      },
    ];
  });
}
/** Share of its presses after which a sheet is worth a look. */
const NEARLY = 0.9;
