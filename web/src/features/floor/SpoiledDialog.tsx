import { t } from '../../words/index.ts';
import { againCents } from '@saltflat/core/cost';
import { currentIn, sheetsLost } from '@saltflat/core/run';
import type { RunEventPayload } from '@saltflat/core/run';
import type { Part } from '@saltflat/core/work';
import { useState } from 'react';
import { useMoney } from '../../units/writingSlice.ts';
import { FaultForm } from './FaultForm.tsx';
import { lineOf, partNoun } from './moments.ts';
import type { Moment } from './moments.ts';
import { Button, CheckSet, Dialog, Note, RadioField } from '../../ui/index.ts';

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
  const money = useMoney();
  const carried = carriedWith(moment, chosen);
  const cents = filmCents(
    live,
    candidates.filter(({ id, part }) => chosen.includes(id) && part === 'transfer'),
  );
  return (
    <Dialog
      title={t('What was spoiled at “{title}”?', { title: moment.title })}
      width="md"
      onClose={onClose}
      actions={<Button onClick={onClose}>{t('Nothing was spoiled')}</Button>}
    >
      <CheckSet
        label={t('Lost')}
        options={candidates.map(({ id, part, code, number }) => ({
          value: id,
          label:
            code === ''
              ? `${capital(partNoun(part))} ${number}`
              : t('{part} {number} of {code}', { part: capital(partNoun(part)), number, code }),
        }))}
        chosen={chosen}
        onChange={setChosen}
      />
      {candidates.length > 2 && chosen.length < candidates.length && (
        <div>
          <Button size="small" onClick={() => setChosen(candidates.map(({ id }) => id))}>
            {t('All {n}', { n: candidates.length })}
          </Button>
        </div>
      )}
      {carried.length > 0 && (
        <Note tone="caution" role="status">
          {t('Nothing is left of this film: what it carries for others is lost with it ({codes}).', {
            codes: carried.join(', '),
          })}
        </Note>
      )}
      {isPiece && (
        <RadioField
          label={t('The piece')}
          value={isReplaced ? 'again' : 'scrap'}
          options={[
            { value: 'again', label: t('is made again on a new blank') },
            { value: 'scrap', label: t('is scrap, the order is one short') },
          ]}
          onChange={(value) => setIsReplaced(value === 'again')}
        />
      )}
      <p className="muted">
        {chosen.length === 0 ? t('Choose what was lost.') : consequence(isPiece, isPiece ? isReplaced : true)}
        {cents > 0 &&
          ` ${t('It waits for the next film, or is printed by itself: {cost} of film, ink and powder once more.', { cost: money(cents) })}`}
      </p>
      {chosen.length > 0 && (
        <FaultForm
          route={lineOf(live.run, moment.action.step.line).route}
          word={isPiece && !isReplaced ? t('Log as scrap') : t('Log, and make it again')}
          onTell={(seen) =>
            onTell(chosen.map((part) => ({ part, isReplaced: isPiece ? isReplaced : true, ...seen })))
          }
        />
      )}
    </Dialog>
  );
}

/** What transfers that are printed here take once more, cents; nothing for those that come from elsewhere. */
const filmCents = ({ run, state }: Moment['live'], lost: readonly Candidate[]): number =>
  lost.reduce((sum, { id }) => {
    const part = state.parts[id];
    if (!part) return sum;
    const { route } = lineOf(run, part.line);
    const isPrinted = route.operations.some(({ role, lane }) => role === 'print' && lane === part.lane);
    return isPrinted ? sum + againCents(route, part.lane) : sum;
  }, 0);

/** Transfers of other runs on sheets of which nothing would be left. */
function carriedWith({ live: { run, state } }: Moment, chosen: readonly string[]): string[] {
  const gone = (id: string): boolean => chosen.includes(id) || state.parts[id]?.isLost === true;
  const sheets = sheetsLost(run.sheets, chosen, gone);
  return run.guests.flatMap(({ sheet, code }) => (sheet !== null && sheets.includes(sheet) ? [code] : []));
}

function consequence(isPiece: boolean, isReplaced: boolean): string {
  if (!isPiece) return t('Only this is made again; its piece waits for it.');
  return isReplaced
    ? t(
        'A new blank goes the whole way. What was on the old one is made again; a transfer not yet pressed is kept.',
      )
    : t('Nothing is made in its place.');
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
