import type { Finding } from '@saltflat/core/artwork';
import type { UnitSystem } from '@saltflat/core/units';
import { findingWords } from './findingWords.ts';

const MARKS = { stop: '■', warn: '◆', note: '○' } as const;
const WORDS = { stop: 'stops the print', warn: 'will show', note: 'worth knowing' } as const;

interface Props {
  findings: readonly Finding[];
  system: UnitSystem;
  onPoint: (finding: Finding) => void;
}

/** What stands out in the file, worst first; a finding with a place can be pointed at. */
export function Findings({ findings, system, onPoint }: Props) {
  if (findings.length === 0) {
    return (
      <p style={{ padding: '12px 16px' }}>
        <span aria-hidden="true">● </span>Nothing stands out: this file can be printed as it is.
      </p>
    );
  }
  return (
    <ul aria-label="Findings">
      {findings.map((finding) => {
        const { title, text } = findingWords(finding, system);
        return (
          <li key={finding.code} className="finding" data-severity={finding.severity}>
            <span className="state" data-tone={finding.severity === 'note' ? 'calm' : 'hands'}>
              <span aria-hidden="true">{MARKS[finding.severity]}</span>
              {WORDS[finding.severity]}
            </span>
            <h3>{title}</h3>
            <p>{text}</p>
            {finding.at && (
              <button type="button" className="link" onClick={() => onPoint(finding)}>
                Show where
              </button>
            )}
          </li>
        );
      })}
    </ul>
  );
}
