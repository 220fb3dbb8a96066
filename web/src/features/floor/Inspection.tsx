import type { Route } from '@saltflat/core/route';
import { faultsOf } from '@saltflat/core/run';
import type { Verdict } from '@saltflat/core/run';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { useUploadPhotoMutation } from './floorApi.ts';
import { isTyping } from './keys.ts';

export interface Judgement {
  verdict: Verdict;
  faults: string[];
  note?: string;
  photo?: string;
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
      {bad && <FaultForm verdict={bad} route={route} onJudge={onJudge} />}
    </div>
  );
}

function FaultForm({
  verdict,
  route,
  onJudge,
}: {
  verdict: 'reprint' | 'scrap';
  route: Route;
  onJudge: Props['onJudge'];
}) {
  const [faults, setFaults] = useState<string[]>([]);
  const [note, setNote] = useState('');
  const [photo, setPhoto] = useState<string | null>(null);
  const [upload, { isLoading, error }] = useUploadPhotoMutation();
  const toggle = (fault: string): void =>
    setFaults((before) =>
      before.includes(fault) ? before.filter((own) => own !== fault) : [...before, fault],
    );
  const takePhoto = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const answer = await upload(file);
    if (answer.data) setPhoto(answer.data.sha256);
  };
  return (
    <div className="stack">
      <div role="group" aria-label="What was seen" className="row" style={{ gap: 6 }}>
        {faultsOf(route).map(([fault, { name }]) => (
          <Button
            key={fault}
            className="fault"
            variant={faults.includes(fault) ? 'contained' : 'outlined'}
            aria-pressed={faults.includes(fault)}
            onClick={() => toggle(fault)}
          >
            {name}
          </Button>
        ))}
      </div>
      <div className="row">
        <TextField
          label="Note (optional)"
          value={note}
          onChange={(event) => setNote(event.target.value)}
          sx={{ flex: 1, minWidth: 220 }}
        />
        <Button component="label" variant="outlined" sx={{ minHeight: 56 }}>
          {isLoading ? 'Sending the photo …' : photo ? '● Photo kept' : 'Add a photo (optional)'}
          <input
            type="file"
            accept="image/png,image/jpeg"
            className="visually-hidden"
            onChange={(event) => void takePhoto(event.target.files?.[0])}
          />
        </Button>
        <Button
          className="primary"
          variant="contained"
          disabled={faults.length === 0}
          onClick={() =>
            onJudge({
              verdict,
              faults,
              ...(note.trim() === '' ? {} : { note: note.trim() }),
              ...(photo === null ? {} : { photo }),
            })
          }
        >
          Log as {verdict}
        </Button>
      </div>
      {faults.length === 0 && <p className="muted">Choose at least one fault.</p>}
      {error && (
        <p className="field-problem" role="alert">
          {problemMessage(error)}
        </p>
      )}
    </div>
  );
}
