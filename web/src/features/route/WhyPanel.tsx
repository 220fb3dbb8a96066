import { t } from '../../words/index.ts';
import { REASON_SOURCES } from '@saltflat/core/work';
import type { Limit, Operation, Reason, Setting } from '@saltflat/core/work';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import { useEffect, useRef, useState } from 'react';
import { TakeBack } from './TakeBack.tsx';
import { heatTasks } from '../../worker/heatClient.ts';
import { useAnswer } from '../../worker/useAnswer.ts';
import type { RouteHeat } from './useHeat.ts';
import { useWords } from '../../units/useWords.ts';
import './limits.css';
import {
  Button,
  Note,
  Panel,
  QuantityField,
  SliderField,
  Stack,
  TOKENS,
  ownProps,
  styled,
} from '../../ui/index.ts';

const SOURCE_WORDS = {
  override: t('A person'),
  proven: t('Proven here'),
  maker: t('Maker’s sheet'),
  house: t('House method'),
  model: t('Model'),
  trade: t('Trade range'),
} as const;

interface Props {
  operation: Operation;
  setting: Setting;
  system: UnitSystem;
  /** Tries a value; `null` where the route cannot be changed any more. */
  onTry: ((value: number) => void) | null;
  isTried: boolean;
  /** The heat of the route as it is tried: the model speaks of that, too. */
  heat: RouteHeat | null;
  /** Plans without the own value; a sentence when it is refused. */
  onTakeBack: (() => Promise<string | null>) | null;
  onClose: () => void;
}

/** Why a setting is what it is: reasons strongest first, limits as a bar, and a place to change it. */
export function WhyPanel({ operation, setting, system, onTry, isTried, heat, onTakeBack, onClose }: Props) {
  const words = useWords();
  const panel = useRef<HTMLElement>(null);
  useEffect(() => panel.current?.focus(), []);
  const isOwn = setting.reasons[0]?.source === 'override';
  const shown = (value: number): string => formatQuantity(value, setting.kind, system);
  const reasons = useReasons(operation, setting, heat);
  const [slides] = useState(() => slidesOver(setting)); // does not move under the hand
  return (
    <Panel
      ref={panel}
      as="aside"
      tabIndex={-1}
      label={t('Why {label}', { label: t(setting.label) })}
      title={`${t(setting.label)} ${shown(setting.value)}`}
      actions={
        <Button look="quiet" size="small" onClick={onClose}>
          {t('Close')}
        </Button>
      }
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <Stack pad={16}>
        <p className="muted">{t(operation.title)}</p>
        {setting.conflicts.map(words).map((text) => (
          <Note tone="alarm" key={text}>
            ■ {text}
          </Note>
        ))}
        <Stack as="ol" gap={8}>
          {reasons.map((reason, i) => (
            <ReasonLine key={i} isChosen={i === reasons.findIndex(({ value }) => value !== null)}>
              <strong>{SOURCE_WORDS[reason.source]}</strong>
              {reason.value !== null && <span className="muted"> {shown(reason.value)}</span>}
              <div>{words(reason.said)}</div>
            </ReasonLine>
          ))}
        </Stack>
        {setting.limits.length > 0 && <Limits limits={setting.limits} setting={setting} system={system} />}
        {onTry ? (
          <Stack gap={8}>
            <h3>{t('Change it here')}</h3>
            <QuantityField
              label={t('Your value')}
              kind={setting.kind}
              system={system}
              value={setting.value}
              usual={usualOf(setting)}
              onChange={(value) => value !== null && onTry(value)}
            />
            {slides && (
              <SliderField
                label={t('Or slide it')}
                value={setting.value}
                shown={shown(setting.value)}
                min={slides.min}
                max={slides.max}
                step={1}
                onChange={onTry}
              />
            )}
            {isTried && <p className="muted small">{t('Being tried: say who and why above to keep it.')}</p>}
            {isOwn && !isTried && onTakeBack && (
              <TakeBack words={t('Take the change back')} onTakeBack={onTakeBack} />
            )}
          </Stack>
        ) : (
          <p className="muted">
            {t('This route is being run or has been run, or is an old version: it stays as it is.')}
          </p>
        )}
      </Stack>
    </Panel>
  );
}

function Limits({
  limits,
  setting,
  system,
}: {
  limits: readonly Limit[];
  setting: Setting;
  system: UnitSystem;
}) {
  const words = useWords();
  const bounds = limits.flatMap(({ min, max }) => [min, max]).filter((bound) => bound !== null);
  const low = Math.min(setting.value, ...bounds) - 5;
  const high = Math.max(setting.value, ...bounds) + 5;
  const at = (value: number): string => `${((value - low) / (high - low)) * 100}%`;
  const shown = (value: number): string => formatQuantity(value, setting.kind, system);
  return (
    <div>
      <h3>{t('Limits')}</h3>
      {limits.map(({ min, max, said }, i) => (
        <div key={i} style={{ marginTop: 8 }}>
          <div className="limit-bar" aria-hidden="true">
            <span
              className="allowed"
              style={{
                left: min === null ? 0 : at(min),
                right: max === null ? 0 : `calc(100% - ${at(max)})`,
              }}
            />
            <span className="value" style={{ left: at(setting.value) }} />
          </div>
          <p className="small">
            {min !== null && t('from {min} ', { min: shown(min) })}
            {max !== null && t('up to {max}', { max: shown(max) })}:{' '}
            <span className="muted">{words(said)}</span>
          </p>
        </div>
      ))}
    </div>
  );
}

/** The setting's reasons; while values are tried, what the model says of them as well. */
function useReasons(operation: Operation, setting: Setting, heat: RouteHeat | null): readonly Reason[] {
  const hasSpoken = setting.reasons.some(({ source }) => source === 'model');
  const isAsked = heat !== null && setting.sets === 'dwell' && !hasSpoken;
  const advice = useAnswer<Reason | null>(
    () =>
      isAsked
        ? heatTasks.ask('advice', { operation, conditions: heat.conditions }).answer
        : Promise.resolve(null),
    [operation, isAsked],
  );
  if (advice === null || hasSpoken) return setting.reasons;
  return [...setting.reasons, advice].sort(
    (p, q) => REASON_SOURCES.indexOf(p.source) - REASON_SOURCES.indexOf(q.source),
  );
}
const SLIDING: readonly Setting['sets'][] = [
  'temperature',
  'lower-temperature',
  'dwell',
  'hover',
  'pressure',
  'gap',
];

/** Whole steps about a setting of heat, so that the trace can be watched while it moves; `null` for what is no heat. */
function slidesOver({ sets, value, kind, ability }: Setting): { min: number; max: number } | null {
  if (!SLIDING.includes(sets)) return null;
  const [low, high] = kind === 'temperature' ? [value - 30, value + 30] : [value / 3, value * 2.5 + 5];
  return {
    min: Math.ceil(Math.max(ability.min, low)),
    max: Math.floor(Math.min(ability.max, high)),
  };
}

/** What the setting would be without a person's own value. */
const usualOf = ({ reasons }: Setting): number | null =>
  reasons.find(({ source, value }) => source !== 'override' && value !== null)?.value ?? null;

const ReasonLine = styled(
  'li',
  ownProps('isChosen'),
)<{ isChosen: boolean }>(({ isChosen }) => ({
  padding: '6px 10px',
  borderLeft: `3px solid ${isChosen ? TOKENS.brine : TOKENS.hairline}`,
  background: isChosen ? TOKENS.brinePale : undefined,
}));
