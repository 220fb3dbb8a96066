import type { ComparisonAnswer } from '@saltflat/contract';
import type { ProcessOption } from '@saltflat/core/compare';
import type { Process } from '@saltflat/core/route';
import { formatDuration, formatMoney } from '@saltflat/core/units';
import { useWords } from '../../units/useWords.ts';

interface Props {
  /** Of the radio buttons: one group a print. */
  name: string;
  /** Which print, in words. */
  of: string;
  comparison: ComparisonAnswer;
  process: Process;
  isFetching: boolean;
  onChange: (process: Process) => void;
}

/** Every process side by side, with numbers and reasons; a person chooses. */
export function ProcessComparison({ name, of, comparison, process, isFetching, onChange }: Props) {
  const words = useWords();
  const { options, recommended, reasons, wouldChange, taken } = comparison;
  const possible = options.filter(({ plan }) => plan !== null);
  const excluded = options.filter(({ plan }) => plan === null);
  const first = options.find((option) => option.process === recommended);
  return (
    <fieldset className="comparison" aria-busy={isFetching}>
      <legend className="muted small">Process, compared for this print</legend>
      {first && (
        <p className="recommendation">
          <strong>{first.name}</strong> is recommended: {reasons.map(words).join('; ')}. {words(wouldChange)}{' '}
          <span className="muted">What hand, cover and risk are worth is an assumption.</span>
        </p>
      )}
      {!first && <p className="alarm">{words(wouldChange)}</p>}
      <div
        className="comparison-scroll"
        tabIndex={0}
        role="region"
        aria-label={`Processes side by side for ${of}`}
      >
        <table className="dense">
          <thead>
            <tr>
              <th>Process</th>
              <th className="number">Cost each</th>
              <th className="number">Hands, all</th>
              <th className="number">Elapsed</th>
              <th>Look and hand</th>
              <th>Cover</th>
              <th>Soft</th>
              <th>Breathes</th>
              <th>Stretch</th>
              <th>Risks and limits</th>
            </tr>
          </thead>
          <tbody>
            {possible.map((option) => (
              <OptionRow
                key={option.process}
                option={option}
                name={name}
                isChosen={option.process === process}
                isFirst={option.process === recommended}
                taken={taken}
                onChoose={() => onChange(option.process)}
              />
            ))}
          </tbody>
        </table>
      </div>
      {excluded.length > 0 && (
        <ul className="small excluded" aria-label="Left out">
          {excluded.map((option) => (
            <li key={option.process}>
              <span className="muted">Not</span> {option.name}: {option.refusals.map(words).join(' ')}
            </li>
          ))}
        </ul>
      )}
    </fieldset>
  );
}

function OptionRow({
  option,
  name,
  isChosen,
  isFirst,
  taken,
  onChoose,
}: {
  option: ProcessOption;
  name: string;
  isChosen: boolean;
  isFirst: boolean;
  taken: ComparisonAnswer['taken'];
  onChoose: () => void;
}) {
  const words = useWords();
  const { plan } = option;
  if (plan === null) return null;
  const busy = taken.filter(({ machine }) => plan.machines.includes(machine));
  return (
    <tr data-chosen={isChosen}>
      <td>
        <label className="option-name">
          <input type="radio" name={name} value={option.process} checked={isChosen} onChange={onChoose} />
          <span>
            {option.name}
            {isFirst && <span className="muted small"> recommended</span>}
          </span>
        </label>
      </td>
      <td className="number nowrap">
        {formatMoney(plan.cost.totalCents)}
        {plan.addsCents !== null && (
          <div className="muted small">{formatMoney(plan.addsCents)} for this print</div>
        )}
      </td>
      <td className="number nowrap">{formatDuration(plan.handsS)}</td>
      <td className="number nowrap">
        {formatDuration(plan.elapsedS)}
        {plan.restBeforeDispatchS > 0 && (
          <div className="muted small">+ {formatDuration(plan.restBeforeDispatchS)} rest</div>
        )}
      </td>
      <td className="small">{words(plan.look.said)}</td>
      {([plan.look.opacity, plan.look.softness, plan.look.breathing, plan.look.stretch] as const).map(
        (value, i) => (
          <td key={i}>
            <Scale value={value} />
          </td>
        ),
      )}
      <td className="small">
        {[...plan.conflicts, ...plan.problems].map(words).map((text) => (
          <div key={text} className="conflict-words">
            ■ {text}
          </div>
        ))}
        {busy.map(({ machine, code }) => (
          <div key={machine}>
            ▶ {machine} is on {code} now
          </div>
        ))}
        <span className="muted">{plan.risks.slice(0, 2).map(words).join(' · ')}</span>
      </td>
    </tr>
  );
}

const WORDS = ['little', 'some', 'fair', 'good', 'full'] as const;

/** A judgement in five steps: bars for the eye, a word for everyone. */
function Scale({ value }: { value: number }) {
  const step = Math.min(4, Math.max(0, Math.round(value * 4)));
  return (
    <span className="scale nowrap">
      <span aria-hidden="true" className="scale-bars">
        {WORDS.map((word, i) => (
          <i key={word} data-on={i <= step} />
        ))}
      </span>
      <span className="small">{WORDS[step]}</span>
    </span>
  );
}
