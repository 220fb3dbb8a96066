import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Signed } from './useTriedRoute.ts';

interface Props {
  count: number;
  /** Why the values tried cannot be planned; empty where they can. */
  problem: string;
  who: string;
  /** A sentence when it is refused. */
  onKeep: (signed: Signed) => Promise<string | null>;
  onGiveUp: () => void;
}

/** Values are being tried: everything on the page follows them, nothing is kept until it is signed. */
export function KeepTried({ count, problem, who, onKeep, onGiveUp }: Props) {
  const [name, setName] = useState(who);
  const [why, setWhy] = useState('');
  const [refusal, setRefusal] = useState('');
  const submit = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    if (name.trim() === '' || why.trim() === '') {
      setRefusal('Who you are and why: both are kept with the route.');
      return;
    }
    setRefusal((await onKeep({ who: name.trim(), why: why.trim() })) ?? '');
  };
  const wrong = problem || refusal;
  return (
    <form
      className="panel keep-tried"
      aria-label="Values being tried"
      onSubmit={(event) => void submit(event)}
    >
      <strong>
        ◆ {count === 1 ? 'One value is' : `${count} values are`} being tried: trace, cost and limits follow.
      </strong>
      <TextField label="Who" size="small" value={name} onChange={(event) => setName(event.target.value)} />
      <TextField label="Why" size="small" value={why} onChange={(event) => setWhy(event.target.value)} />
      <Button type="submit" variant="contained" size="small" disabled={problem !== ''}>
        Plan with {count === 1 ? 'this value' : 'these values'}
      </Button>
      <Button variant="outlined" size="small" onClick={onGiveUp}>
        As it was
      </Button>
      {wrong !== '' && (
        <p className="field-problem" role="alert">
          {wrong}
        </p>
      )}
    </form>
  );
}
