import { handsOn, spanOf } from '@saltflat/core/plan';
import type { WorkPace } from '@saltflat/core/learn';
import type { PicturedOp, PlanInstance } from '@saltflat/core/plan';
import { formatDuration, formatQuantity } from '@saltflat/core/units';
import { Link } from 'react-router';
import { useUnits } from '../../units/writingSlice.ts';
import { Button, Close, IconButton, Mark, Panel, Row, SelectField, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { paceWords } from './paceWords.ts';
import type { PlanTime } from '../../planned/index.ts';

interface Props {
  op: PicturedOp;
  codes: readonly string[];
  /** The line it is of, for its route. */
  lineId: string | null;
  instance: PlanInstance;
  /** How the shop’s own time of it differs from what its route assumes. */
  pace: WorkPace | null;
  time: PlanTime;
  machineName: (id: string) => string;
  onLock: () => void;
  onMove: (to: { start: number; machine: string | null }) => void;
  onClose: () => void;
}

const STEP_MIN = 15;

/** What was picked of the plan: when, where, by whom, and what can be done with it. */
export function PickedPanel(props: Props) {
  const { op, codes, lineId, instance, pace, time, machineName, onLock, onMove, onClose } = props;
  const system = useUnits();
  const { from, to } = spanOf(op);
  const modes = instance.ops.find(({ id }) => id === op.id)?.modes ?? [];
  const machines = [...new Set(modes.flatMap(({ machine }) => (machine === null ? [] : [machine])))];
  return (
    <Panel
      title={
        <>
          <span className="code">{codes.join(' ')}</span> {t(op.title)}
        </>
      }
      label={t('Picked work')}
      pad={14}
      actions={
        <IconButton label={t('Close')} onClick={onClose}>
          <Close />
        </IconButton>
      }
    >
      <Stack gap={8}>
        <p>
          {time(from, 'weekday-time')} – {time(to, 'time')} ·{' '}
          {op.parts === 1 ? t('1 piece') : t('{n} pieces', { n: op.parts })}
        </p>
        <p className="muted">
          {op.machine === null ? t('by hand') : machineName(op.machine)}
          {typeof op.state === 'number' && ` · ${formatQuantity(op.state, 'temperature', system)}`}
          {' · '}
          {t('hands {hands} of {all}', {
            hands: formatDuration(60 * Math.round(handsOn(op))),
            all: formatDuration(60 * (to - from)),
          })}
        </p>
        {pace !== null && <p className="muted small">{paceWords(pace)}</p>}
        {op.isRunning && (
          <Mark mark="▶" tone="go">
            {t('on the floor now: it stays where it is')}
          </Mark>
        )}
        {op.isLocked && (
          <Mark mark="▣" tone="go">
            {t('locked: nothing moves it')}
          </Mark>
        )}
        {!op.isFixed && (
          <Row gap={8}>
            <Button size="small" onClick={() => onMove({ start: from - STEP_MIN, machine: op.machine })}>
              {t('15 min earlier')}
            </Button>
            <Button size="small" onClick={() => onMove({ start: from + STEP_MIN, machine: op.machine })}>
              {t('15 min later')}
            </Button>
            <Button size="small" hint="l" isPressed={op.isLocked} onClick={onLock}>
              {op.isLocked ? t('Unlock') : t('Lock')}
            </Button>
          </Row>
        )}
        {!op.isFixed && machines.length > 1 && op.machine !== null && (
          <SelectField
            label={t('On')}
            value={op.machine}
            options={machines.map((id) => ({ value: id, label: machineName(id) }))}
            onChange={(machine) => onMove({ start: from, machine })}
          />
        )}
        {lineId !== null && <Link to={`/route/${lineId}`}>{t('Its route')}</Link>}
      </Stack>
    </Panel>
  );
}
