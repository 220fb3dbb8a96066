import { PROCESSES, PROCESS_NAMES } from '@saltflat/core/route';
import type { Process, ProcessSuggestion } from '@saltflat/core/route';

interface Props {
  name: string;
  process: Process;
  suggestion: ProcessSuggestion | null;
  onChange: (process: Process) => void;
}

/** The process, with what the shop would think of first and why. */
export function ProcessField({ name, process, suggestion, onChange }: Props) {
  return (
    <fieldset style={{ border: 0, padding: 0, margin: 0 }}>
      <legend className="muted small" style={{ padding: 0, marginBottom: 6 }}>
        Process
      </legend>
      <div className="row" style={{ gap: 8 }}>
        {PROCESSES.map((key) => (
          <label key={key} className="choice" data-chosen={process === key}>
            <input
              type="radio"
              name={name}
              value={key}
              checked={process === key}
              onChange={() => onChange(key)}
            />
            <span>
              {PROCESS_NAMES[key]}
              {suggestion?.process === key && <span className="muted small"> suggested</span>}
            </span>
          </label>
        ))}
      </div>
      {suggestion && (
        <p className="muted small" style={{ marginTop: 6 }}>
          {PROCESS_NAMES[suggestion.process]}: {suggestion.reasons.join('; ')}. {suggestion.wouldChange}
        </p>
      )}
    </fieldset>
  );
}
