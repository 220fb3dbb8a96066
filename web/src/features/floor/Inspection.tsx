import type { Route } from '@saltflat/core/route';
import type { Verdict } from '@saltflat/core/run';
import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { FaultForm } from './FaultForm.tsx';
import type { Seen } from './FaultForm.tsx';
import { isTyping } from './keys.ts';

export interface Judgement extends Seen {
  verdict: Verdict;
}

interface Props {
  route: Route;
  checks: readonly string[];
  onJudge: (judgement: Judgement) => void;
}

/** Good with one press; for a reprint or scrap, what was seen, a note and a photo if there is time. */
export function Inspection({ route, checks, onJudge }: Props) {
  const [bad, setBad] = useState<'reprint' | 'scrap' | null>(null);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === '1') onJudge({ verdict: 'good', faults: [] });
      if (event.key === '2') setBad('reprint');
      if (event.key === '3') setBad('scrap');
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [onJudge]);
  return (
    <div className="inspection" role="group" aria-label="How did it come out?">
      <ul className="next-look">
        {checks.map((check) => (
          <li key={check}>· {check}</li>
        ))}
      </ul>
      <div className="row">
        <Button
          className="primary"
          variant={bad === null ? 'contained' : 'outlined'}
          onClick={() => onJudge({ verdict: 'good', faults: [] })}
        >
          ● Good <kbd>1</kbd>
        </Button>
        <Button
          className="primary"
          variant={bad === 'reprint' ? 'contained' : 'outlined'}
          onClick={() => setBad('reprint')}
        >
          ◆ Reprint <kbd>2</kbd>
        </Button>
        <Button
          className="primary"
          variant={bad === 'scrap' ? 'contained' : 'outlined'}
          onClick={() => setBad('scrap')}
        >
          ■ Scrap <kbd>3</kbd>
        </Button>
      </div>
      {bad && (
        <FaultForm
          route={route}
          word={`Log as ${bad}`}
          onTell={(seen) => onJudge({ verdict: bad, ...seen })}
        />
      )}
    </div>
  );
}
