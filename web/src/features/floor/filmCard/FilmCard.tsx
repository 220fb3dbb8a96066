import type { Operation, Role } from '@saltflat/core/work';
import { meltsFully } from '@saltflat/core/route';
import type { FloorAction } from '@saltflat/core/run';
import { formatQuantity } from '@saltflat/core/units';
import { HUMID_PCT, useDevice } from '../../../api/liveSlice.ts';
import { useUnits } from '../../../units/writingSlice.ts';
import { useWords } from '../../../units/useWords.ts';
import { Note, ownProps, styled } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { linesIn, lineOf } from '../moments.ts';
import type { LiveRun } from '../useRunState.ts';
import { MeltScale } from './MeltScale.tsx';
import { PowderWeighed } from './PowderWeighed.tsx';
import { PowderPictures } from './PowderPictures.tsx';
import { SidePictures } from './SidePictures.tsx';
import { WetClock } from './WetClock.tsx';

interface Props {
  live: LiveRun;
  action: FloorAction;
  operation: Operation;
  nowMs: number;
  onWeigh: (what: 'before' | 'after', massG: number) => void;
}

/** What is done to film here: with which film and powder, what to look at, and what right and wrong look like. */
export function FilmCard({ live, action, operation, nowMs, onWeigh }: Props) {
  const { step } = action;
  const words = useWords();
  const units = useUnits();
  const line = lineOf(live.run, step.line);
  const lane = line.route.lanes.find(({ id }) => id === operation.lane);
  if (lane?.part !== 'transfer' || !ON_FILM.includes(operation.role)) return null;
  const print = line.route.prints.find(({ id }) => id === lane.print);
  const named = (role: string): string[] =>
    print?.sources.flatMap((own) => (own.role === role ? [own.name] : [])) ?? [];
  const grams = operation.role === 'powder' ? powderOn(live, step) : 0;
  const facts = [
    ...named('film'),
    ...(operation.role === 'powder' ? named('powder') : []),
    ...(grams > 0
      ? [
          t('{grams} should stay on it', {
            grams: formatQuantity(Math.round(10 * grams) / 10, 'mass', units),
          }),
        ]
      : []),
  ];
  return (
    <Card aria-label={t('What to look at')} isDrawn={DRAWN.includes(operation.role)}>
      <div>
        {facts.length > 0 && <strong>{facts.join(' · ')}</strong>}
        <ul>
          {operation.checks.map((check) => (
            <li key={check.code}>{words(check)}</li>
          ))}
        </ul>
      </div>
      <div>
        <Drawn operation={operation} />
        {operation.role === 'powder' && (
          <>
            <Wet action={action} nowMs={nowMs} />
            <PowderWeighed
              key={step.id}
              step={step}
              expectedG={grams}
              powderId={print?.sources.find(({ role }) => role === 'powder')?.id ?? null}
              nowMs={nowMs}
              onWeigh={onWeigh}
            />
          </>
        )}
      </div>
    </Card>
  );
}

const DRAWN: readonly Role[] = ['set-up', 'print', 'powder', 'melt'];
const ON_FILM: readonly Role[] = [...DRAWN, 'cut'];

function Drawn({ operation }: { operation: Operation }) {
  if (operation.role === 'melt') return <MeltScale isFull={meltsFully(operation)} />;
  if (operation.role === 'powder') return <PowderPictures />;
  return operation.role === 'set-up' || operation.role === 'print' ? <SidePictures /> : null;
}

/** Powder that should stay on a step’s transfers, g: of each line as its own route reckons. */
function powderOn({ run, state }: LiveRun, step: FloorAction['step']): number {
  return linesIn({ run, state }, step).reduce((sum, { key, route }) => {
    const parts = step.parts.filter((id) => state.parts[id]?.line === key);
    const each = route.operations
      .filter(({ role, lane }) => role === 'powder' && lane === state.parts[parts[0] ?? '']?.lane)
      .flatMap(({ consumes }) => consumes)
      .reduce((grams, { kind, amount }) => grams + (kind === 'mass' ? amount : 0), 0);
    return sum + each * parts.length;
  }, 0);
}

/** Until when the ink is wet, and what the room does to it. */
function Wet({ action, nowMs }: { action: FloorAction; nowMs: number }) {
  const value = useDevice('hygrometer')?.value ?? null;
  const roomC = useDevice('room-thermometer')?.value ?? null;
  const { latestAt, closedBy } = action;
  const maxS = closedBy?.waitAfter?.maxS ?? null;
  return (
    <>
      {closedBy?.role === 'print' && latestAt !== null && maxS !== null && maxS > 0 && (
        <WetClock
          printedAt={latestAt - 1000 * maxS}
          closesAt={latestAt}
          nowMs={nowMs}
          room={{ rhPct: value, roomC }}
        />
      )}
      {value !== null && value > HUMID_PCT && <Humid percent={Math.round(value)} />}
    </>
  );
}

function Humid({ percent }: { percent: number }) {
  return (
    <Note tone="caution" isSmall>
      {t(
        'The room is at {percent} %: powder clings to bare film. Let the ink stand, flick harder, look twice.',
        {
          percent,
        },
      )}
    </Note>
  );
}

const Card = styled(
  'section',
  ownProps('isDrawn'),
)<{ isDrawn: boolean }>(({ isDrawn }) => ({
  display: 'grid',
  gridTemplateColumns: isDrawn ? 'minmax(220px, 1fr) minmax(0, 2fr)' : 'minmax(0, 1fr)',
  gap: '10px 20px',
  padding: '10px 20px',
  margin: '0 20px 14px',
  background: 'var(--ground)',
  border: '1px solid var(--hairline)',
  borderRadius: 4,
  fontSize: 15,
  '& ul': { margin: '4px 0 0', paddingLeft: 18, listStyle: 'disc' },
  '@media (max-width: 900px)': { gridTemplateColumns: 'minmax(0, 1fr)', margin: '0 12px 12px' },
}));
