import { STATION_NAMES, aloneS, goesWords, handsS, plannedMode, unitsOf } from '@saltflat/core/work';
import type { Operation } from '@saltflat/core/work';
import { formatDuration, formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import { useWords } from '../../units/useWords.ts';

interface Props {
  operation: Operation;
  /** Of the line that go through it. */
  parts: number;
  isLit: boolean;
  picked: string | null;
  system: UnitSystem;
  onPick: (setting: string) => void;
}

/** One operation: where, what, with which settings, how long, and how to know it is right. */
export function OperationRow({ operation, parts: all, isLit, picked, system, onPick }: Props) {
  const { id, station, modes, title, settings, sheet, checks, look, cautions, waitAfter, weighIn } =
    operation;
  const words = useWords();
  const { machine } = plannedMode(operation);
  const parts = unitsOf(operation, all)[0] ?? 1;
  const [hands, alone] = [handsS(operation, parts), aloneS(operation, parts)];
  return (
    <li className="operation" id={`operation-${id}`} data-lit={isLit}>
      <div>
        <div className="muted small">{STATION_NAMES[station]}</div>
        <h2 className="operation-title">{title}</h2>
        <div className="muted small">
          {machine && `${machine.name}, `}
          {goesWords(operation)}
        </div>
        {modes.length > 1 && (
          <div className="muted small">
            or{' '}
            {modes
              .slice(1)
              .map((mode) => mode.machine?.name)
              .join(', ')}
          </div>
        )}
      </div>
      <div className="stack" style={{ gap: 8 }}>
        <div className="row" style={{ gap: 6 }}>
          {settings.map((setting) => (
            <button
              key={setting.key}
              type="button"
              className="pill"
              data-conflict={setting.conflicts.length > 0}
              data-own={setting.reasons[0]?.source === 'override'}
              aria-expanded={picked === setting.key}
              onClick={() => onPick(setting.key)}
            >
              <span className="muted">{setting.label}</span>{' '}
              {formatQuantity(setting.value, setting.kind, system)}
              {setting.conflicts.length > 0 && <span> ■ over a limit</span>}
              {setting.reasons[0]?.source === 'override' && <span> ◆ changed</span>}
            </button>
          ))}
          {sheet && <span className="plain-pill">under {sheet.name}</span>}
          {weighIn && (
            <span className="plain-pill">
              weigh in {formatQuantity(weighIn.targetG, 'mass', system)} ±{' '}
              {formatQuantity(weighIn.toleranceG, 'mass', system)}
            </span>
          )}
        </div>
        <p className="small">
          <strong>Right:</strong> {words(look)} <span className="muted">{checks.map(words).join(' · ')}</span>
        </p>
        {cautions.map((caution) => (
          <p key={caution.code} className="caution small">
            {words(caution)}
          </p>
        ))}
        {waitAfter && (waitAfter.minS > 0 || waitAfter.maxS !== null) && (
          <p className="small">
            <span aria-hidden="true">∿ </span>
            {waitAfter.minS > 0 && `Wait ${formatDuration(waitAfter.minS)}. `}
            {waitAfter.maxS !== null && `Within ${formatDuration(waitAfter.maxS)}. `}
            <span className="muted">{words(waitAfter.why)}</span>
          </p>
        )}
      </div>
      <dl className="times">
        {operation.unit !== 'line' && (
          <div>
            <dt>each {operation.unit}</dt>
          </div>
        )}
        <div>
          <dt>hands</dt>
          <dd>{formatDuration(hands)}</dd>
        </div>
        {alone > 0 && (
          <div>
            <dt>by itself</dt>
            <dd>{formatDuration(alone)}</dd>
          </div>
        )}
      </dl>
    </li>
  );
}
