import { currentIn } from '@saltflat/core/run';
import type { RunEventPayload } from '@saltflat/core/run';
import type { Part } from '@saltflat/core/work';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControl from '@mui/material/FormControl';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormLabel from '@mui/material/FormLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import { useState } from 'react';
import { FaultForm } from './FaultForm.tsx';
import { lineOf, partNoun } from './moments.ts';
import type { Moment } from './moments.ts';

type Lost = NonNullable<RunEventPayload['lost']>;

/** Something that can have been spoiled at a step: a part in it, or one that is to be joined there. */
interface Candidate {
  id: string;
  part: Part;
  /** Its line, where there are several. */
  code: string;
  number: number;
}

interface Props {
  moment: Moment;
  onClose: () => void;
  onTell: (losses: Lost[]) => void;
}

/** What was spoiled here, and whether it is made again. Only what is lost is repeated: the rest waits for it. */
export function SpoiledDialog({ moment, onClose, onTell }: Props) {
  const { live } = moment;
  const candidates = candidatesOf(moment);
  const [chosen, setChosen] = useState<readonly string[]>(
    candidates.length === 1 ? [candidates[0]?.id ?? ''] : [],
  );
  const [isReplaced, setIsReplaced] = useState(true);
  const isPiece = candidates.some(({ id, part }) => chosen.includes(id) && part === 'blank');
  const toggle = (id: string): void =>
    setChosen((before) => (before.includes(id) ? before.filter((own) => own !== id) : [...before, id]));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="spoiled-title">
      <DialogTitle id="spoiled-title">What was spoiled at “{moment.title}”?</DialogTitle>
      <DialogContent className="floor-dialog stack">
        <FormControl component="fieldset">
          <FormLabel component="legend">Lost</FormLabel>
          <div className="row" style={{ gap: 4 }}>
            {candidates.map(({ id, part, code, number }) => (
              <FormControlLabel
                key={id}
                control={<Checkbox checked={chosen.includes(id)} onChange={() => toggle(id)} />}
                label={`${capital(partNoun(part))} ${number}${code === '' ? '' : ` of ${code}`}`}
              />
            ))}
          </div>
        </FormControl>
        {isPiece && (
          <FormControl component="fieldset">
            <FormLabel component="legend">The piece</FormLabel>
            <RadioGroup
              row
              value={isReplaced ? 'again' : 'scrap'}
              onChange={(_event, value) => setIsReplaced(value === 'again')}
            >
              <FormControlLabel value="again" control={<Radio />} label="is made again on a new blank" />
              <FormControlLabel value="scrap" control={<Radio />} label="is scrap, the order is one short" />
            </RadioGroup>
          </FormControl>
        )}
        <p className="muted">
          {chosen.length === 0 ? 'Choose what was lost.' : consequence(isPiece, isPiece ? isReplaced : true)}
        </p>
        {chosen.length > 0 && (
          <FaultForm
            route={lineOf(live.run, moment.action.step.line).route}
            word={isPiece && !isReplaced ? 'Log as scrap' : 'Log, and make it again'}
            onTell={(seen) =>
              onTell(chosen.map((part) => ({ part, isReplaced: isPiece ? isReplaced : true, ...seen })))
            }
          />
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Nothing was spoiled</Button>
      </DialogActions>
    </Dialog>
  );
}

function consequence(isPiece: boolean, isReplaced: boolean): string {
  if (!isPiece) return 'Only this is made again; its piece waits for it.';
  return isReplaced
    ? 'A new blank goes the whole way. What was on the old one is made again; a transfer not yet pressed is kept.'
    : 'Nothing is made in its place.';
}

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

/** The parts in a step, and the ones that are joined to them there. */
function candidatesOf({ live: { run, state }, action: { step, operation } }: Moment): Candidate[] {
  return step.parts
    .flatMap((id) => {
      const part = state.parts[id];
      if (!part) return [];
      const joined = operation.takes.flatMap((lane) => currentIn(state)(part, lane) ?? []);
      return [part, ...joined];
    })
    .map((part) => ({
      id: part.id,
      part: lineOf(run, part.line).route.lanes.find(({ id }) => id === part.lane)?.part ?? 'blank',
      code: run.lines.length > 1 ? lineOf(run, part.line).code : '',
      number: part.number > 0 ? part.number : part.piece,
    }));
}
