import type { FloorAction } from '@saltflat/core/run';
import { formatQuantity } from '@saltflat/core/units';
import { plannedMode } from '@saltflat/core/work';
import type { Operation } from '@saltflat/core/work';
import { useRefillSprayerMutation, useSprayMutation, useSprayer } from '../../api/sprayersApi.ts';
import { useAttempt } from '../../api/useAttempt.ts';
import { useUnits } from '../../units/writingSlice.ts';
import { Button, Note, Panel, Refusal, Row, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import type { LiveRun } from './useRunState.ts';

interface Props {
  live: LiveRun;
  action: FloorAction;
  operation: Operation;
}

/** The sprayer that a garment lies in: what is in its bottle, and the spray itself. */
export function SprayerPanel({ live, action, operation }: Props) {
  const machineId = plannedMode(operation).machine?.id;
  return operation.role === 'spray' && machineId != null ? (
    <AtSprayer
      machineId={machineId}
      runId={live.run.id}
      step={action.step.id}
      isToWeigh={operation.weighIn !== null && action.step.beforeG === null}
    />
  ) : null;
}

interface AtProps {
  machineId: string;
  runId: string;
  step: string;
  /** What it weighs dry is not known yet. */
  isToWeigh: boolean;
}

function AtSprayer({ machineId, runId, step, isToWeigh }: AtProps) {
  const system = useUnits();
  const sprayer = useSprayer(machineId);
  const [spray] = useSprayMutation();
  const [refill] = useRefillSprayerMutation();
  const attempt = useAttempt();
  if (!sprayer) return null;
  const { name, bottleMl, bottleSizeMl, last } = sprayer;
  const own = last?.runId === runId && last.step === step ? last : null;
  const ml = (value: number, digits: number): string => formatQuantity(value, 'volume', system, digits);
  return (
    <Panel label={t('At the sprayer')} pad={14} style={{ margin: '0 20px 14px' }}>
      <Stack gap={10}>
        <Row gap={12} justify="space-between">
          <strong>{name}</strong>
          <span className="muted small">
            {t('{left} of {full} in the bottle', { left: ml(bottleMl, 0), full: ml(bottleSizeMl, 0) })}
          </span>
        </Row>
        {own && !own.ranDry && (
          <span className="muted small" role="status">
            {t('Sprayed {ml}, with what goes beside. The scale says what is on it.', { ml: ml(own.ml, 1) })}
          </span>
        )}
        {own?.ranDry && (
          <Note tone="alarm" role="alert">
            {t(
              '■ The bottle ran dry in the middle of this garment: put on a full one, prime the nozzle off to the side, weigh what is on it and spray what is missing.',
            )}
          </Note>
        )}
        <Row gap={8}>
          <Button
            disabled={isToWeigh}
            isBusy={attempt.isBusy('spray')}
            onClick={() => void attempt.make('spray', () => spray({ machineId, runId, step }))}
          >
            {own ? t('Spray once more') : t('Spray it on {sprayer}', { sprayer: name })}
          </Button>
          {bottleMl < bottleSizeMl / 5 && (
            <Button
              isBusy={attempt.isBusy('refill')}
              onClick={() => void attempt.make('refill', () => refill(machineId))}
            >
              {t('Put on a full bottle')}
            </Button>
          )}
          {isToWeigh && (
            <span className="muted small">{t('Weighed dry first: else nobody knows what is on it.')}</span>
          )}
          <Refusal {...attempt.refusal('spray')} />
          <Refusal {...attempt.refusal('refill')} />
        </Row>
      </Stack>
    </Panel>
  );
}
