import { SOURCE_NAMES } from '@saltflat/core/words';
import type { RouteSource, SourceChoice } from '@saltflat/core/route';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useWords } from '../../units/useWords.ts';
import type { Signed } from './useTriedRoute.ts';

type Picked = Pick<SourceChoice, 'role' | 'id'>;

interface Props {
  /** Which print, in words. */
  of: string;
  sources: readonly RouteSource[];
  /** Roles somebody chose a thing for. */
  chosen: readonly SourceChoice['role'][];
  /** False where the route cannot be changed any more. */
  isOpen: boolean;
  who: string;
  /** Plans with another thing; a sentence when it is refused. */
  onChoose: (picked: Picked, signed: Signed) => Promise<string | null>;
  onTakeBack: (role: SourceChoice['role']) => void;
}

/** What a print is made with: each thing with why it was taken and what else there was; another can be chosen. */
export function SourcesPanel({ of, sources, chosen, isOpen, who, onChoose, onTakeBack }: Props) {
  const words = useWords();
  const [picked, setPicked] = useState<Picked | null>(null);
  if (sources.length === 0) return null;
  return (
    <section className="panel sources" aria-label={`Made with, ${of.toLowerCase()}`}>
      <header>
        <h2>Made with</h2>
        <span className="muted small">of what fits, and why</span>
      </header>
      <dl>
        {sources.map((source) => {
          const { role, id, name, why, others } = source;
          const mine = picked?.role === role ? picked.id : id;
          const isChosen = chosen.includes(role);
          return (
            <div key={role} className="source" data-own={isChosen}>
              <dt>{SOURCE_NAMES[role]}</dt>
              <dd>
                {isOpen && others.some(({ isPossible }) => isPossible) ? (
                  <TextField
                    select
                    size="small"
                    variant="standard"
                    value={mine}
                    slotProps={{ select: { SelectDisplayProps: { 'aria-label': SOURCE_NAMES[role] } } }}
                    onChange={({ target }) =>
                      setPicked(target.value === id ? null : { role, id: target.value })
                    }
                  >
                    <MenuItem value={id}>{name}</MenuItem>
                    {others.map((other) => (
                      <MenuItem key={other.id} value={other.id} disabled={!other.isPossible}>
                        <span>
                          {other.name} <span className="muted small">{words(other.why)}</span>
                        </span>
                      </MenuItem>
                    ))}
                  </TextField>
                ) : (
                  <strong>{name}</strong>
                )}
                <div className="muted small">
                  {isChosen && '◆ '}
                  {words(why)}
                </div>
                {others
                  .filter(({ isPossible }) => !isPossible)
                  .map((other) => (
                    <div key={other.id} className="muted small">
                      Not {other.name}: {words(other.why)}
                    </div>
                  ))}
                {isChosen && isOpen && picked?.role !== role && (
                  <Button size="small" variant="text" onClick={() => onTakeBack(role)}>
                    What fits best
                  </Button>
                )}
                {picked?.role === role && (
                  <SignChoice
                    who={who}
                    onSign={async (signed) => {
                      const refusal = await onChoose(picked, signed);
                      if (refusal === null) setPicked(null);
                      return refusal;
                    }}
                    onGiveUp={() => setPicked(null)}
                  />
                )}
              </dd>
            </div>
          );
        })}
      </dl>
    </section>
  );
}

/** Who chose it and why: both are kept with the route. */
function SignChoice({
  who,
  onSign,
  onGiveUp,
}: {
  who: string;
  onSign: (signed: Signed) => Promise<string | null>;
  onGiveUp: () => void;
}) {
  const [name, setName] = useState(who);
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState('');
  const submit = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    if (name.trim() === '' || why.trim() === '') {
      setProblem('Who you are and why: both are kept with the route.');
      return;
    }
    setProblem((await onSign({ who: name.trim(), why: why.trim() })) ?? '');
  };
  return (
    <form className="row sign-choice" onSubmit={(event) => void submit(event)}>
      <TextField label="Who" size="small" value={name} onChange={(event) => setName(event.target.value)} />
      <TextField label="Why" size="small" value={why} onChange={(event) => setWhy(event.target.value)} />
      <Button type="submit" variant="contained" size="small">
        Plan with it
      </Button>
      <Button variant="outlined" size="small" onClick={onGiveUp}>
        As it was
      </Button>
      {problem !== '' && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </form>
  );
}
