import { UNCALIBRATED_SPREAD, isWanted, pressOf, verdictsOf } from '@saltflat/core/heat';
import type { Band, HeatConditions, KnownPress, Standing, Verdict } from '@saltflat/core/heat';
import type { Route } from '@saltflat/core/route';
import { plannedMode } from '@saltflat/core/work';
import { say } from '@saltflat/core/words';
import { useWords } from '../../units/useWords.ts';
import { useDates } from '../../units/writingSlice.ts';
import { Note, Panel, Progress, Stack, TOKENS } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { DoseBar } from './DoseBar.tsx';
import { PressNotes } from './PressNotes.tsx';
import type { HeatState } from './useHeat.ts';
import type { MeasuredPlate } from './usePresses.ts';

const NAMES: Record<Verdict['line']['dose'], string> = {
  bond: t('Bond'),
  cure: t('Cure of the ink'),
  melt: t('Powder melted'),
  dye: t('Dye migration'),
  scorch: t('Scorch'),
  shine: t('Shine'),
  stiffener: t('Glue of the stiffener'),
};
const MARKS: Record<Standing, { mark: string; words: string }> = {
  good: { mark: '●', words: t('well') },
  unsure: { mark: '◐', words: t('too near to be sure') },
  bad: { mark: '■', words: t('not so') },
};

interface Props {
  route: Route;
  state: HeatState;
  presses: readonly MeasuredPlate[] | null;
  /** Names of prints, where there are several. */
  labelOf: (print: string) => string | null;
}

/** What the heat of a route comes to, by the model: a bar for each dose, its band, and what it means. */
export function HeatPanel({ route, state, presses, labelOf }: Props) {
  const words = useWords();
  const { heat, share, problem } = state;
  if (problem !== '') return <Note tone="caution">{problem}</Note>;
  if (heat === null) return null;
  const spread = routeSpread(route, heat.conditions);
  const verdicts = verdictsOf(heat.story, route.operations, spread);
  const dried = heat.story.operations.flatMap(({ operation, water, doses }) =>
    water === null || water.beforeGM2 < 20 || 'cure@ink' in doses ? [] : [{ operation, ...water }],
  );
  const mats = route.operations.some((own) =>
    plannedMode(own).phases.some(({ heat: hot }) =>
      hot?.stack.layers.some(({ material }) => material === 'silicone-mat'),
    ),
  );
  return (
    <Panel title={t('What the heat does')} says={t('by the model')} pad="8px 16px 12px">
      <Stack gap={10}>
        <Stack as="ul" gap={10}>
          {verdicts.map((verdict, i) => (
            <Dose
              key={`${verdict.line.print}/${verdict.line.dose}/${verdict.line.at}`}
              verdict={verdict}
              band={heat.bands?.doses[i] ?? null}
              of={labelOf(verdict.line.print)}
            />
          ))}
          {dried.map(({ operation, beforeGM2, afterGM2 }) => (
            <li key={operation} className="small">
              {words(say('heat.dry', { by: titleIn(route, operation), beforeGM2, afterGM2, spread }))}
            </li>
          ))}
        </Stack>
        {mats && <p className="small">{words(say('heat.mat'))}</p>}
        {heat.bands === null && share > 0 && (
          <Progress words={t('Working out how far the model may be off')} share={share} />
        )}
        {presses && <PressNotes route={route} presses={presses} />}
        <Trust state={state} route={route} />
      </Stack>
    </Panel>
  );
}

/** What is known of each press the route is planned on. */
function pressesOf({ operations }: Route, conditions: HeatConditions): KnownPress[] {
  const ids = operations
    .map(plannedMode)
    .filter(({ machineKind }) => machineKind === 'press' || machineKind === 'cap-press')
    .map(({ machine }) => machine?.id);
  return [...new Set(ids)].map((id) => pressOf(conditions, id));
}

/** What the model is worth here: no more than on the press that is known least. */
function routeSpread(route: Route, conditions: HeatConditions): number {
  const spreads = pressesOf(route, conditions).map(({ spread }) => spread);
  return spreads.length > 0 ? Math.max(...spreads) : UNCALIBRATED_SPREAD;
}

const titleIn = ({ operations }: Route, id: string): string =>
  t(operations.find((own) => own.id === id)?.title ?? '');

function Dose({ verdict, band, of }: { verdict: Verdict; band: Band | null; of: string | null }) {
  const words = useWords();
  const { line, standing, said } = verdict;
  const { mark, words: standingWords } = MARKS[standing];
  const tone = { good: TOKENS.brine, unsure: TOKENS.ochre, bad: TOKENS.roseInk }[standing];
  return (
    <li>
      <DoseBar
        name={`${of === null ? '' : `${of}: `}${line.at === 'patch-glue' ? t('Bond under the patch') : NAMES[line.dose]}`}
        mark={
          <span style={{ color: tone }} title={standingWords}>
            {mark}
            <span className="visually-hidden">{standingWords}</span>
          </span>
        }
        value={line.value}
        band={band}
        isWanted={isWanted(line.dose)}
        colour={tone}
      />
      <p className="small muted">{said.map(words).join(' ')}</p>
    </li>
  );
}

/** How far the model can be trusted on these presses. */
function Trust({ state, route }: { state: HeatState; route: Route }) {
  const words = useWords();
  const dates = useDates();
  const { heat } = state;
  if (heat === null) return null;
  const days = pressesOf(route, heat.conditions).map(({ calibratedOn }) => calibratedOn);
  const [first] = days;
  const isCalibrated = days.length > 0 && days.every((own) => own !== null);
  return (
    <p className="small" style={{ borderTop: `1px solid ${TOKENS.hairlinePale}`, paddingTop: 8 }}>
      {isCalibrated && first != null
        ? words(
            say('heat.calibrated', { on: dates(first, 'day'), spread: routeSpread(route, heat.conditions) }),
          )
        : words(say('heat.uncalibrated'))}
    </p>
  );
}
