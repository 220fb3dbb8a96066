import { COLD_UNDER_K, placeOn, surveyDueMs } from '@saltflat/core/press';
import type { Route } from '@saltflat/core/route';
import { plannedMode } from '@saltflat/core/work';
import { say } from '@saltflat/core/words';
import type { Said } from '@saltflat/core/words';
import { Link } from 'react-router';
import { serverNow } from '../../api/serverClock.ts';
import { useDates } from '../../units/writingSlice.ts';
import { useWords } from '../../units/useWords.ts';
import { Note, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import type { MeasuredPlate } from './usePresses.ts';

const DAY_MS = 86_400_000;

/** What was measured of a route's presses means for it: a cold place under the print, an old survey, none at all. */
export function PressNotes({ route, presses }: { route: Route; presses: readonly MeasuredPlate[] }) {
  const words = useWords();
  const dates = useDates();
  const used = new Set(
    route.operations
      .filter(({ role }) => role === 'bond' || role === 'cure' || role === 'press-again')
      .map((own) => plannedMode(own).machine?.id),
  );
  return (
    <Stack gap={6}>
      {presses
        .filter(({ id }) => used.has(id))
        .map((press) => (
          <div key={press.id}>
            {coldUnder(press).map((said) => (
              <Note tone="alarm" key={said.code}>
                ■ {words(said)}
              </Note>
            ))}
            <p className="small">
              {[...saidOf(press, (at) => dates(at, 'day')), pressureSaid(press)].map(words).join(' ')}{' '}
              <Link to={`/presses/${press.id}`}>{t('Survey')}</Link>
            </p>
          </div>
        ))}
    </Stack>
  );
}

/** The cold place a print reaches; none where it reaches none. */
function coldUnder({ name, plate, here }: MeasuredPlate): Said[] {
  const under = here?.under ?? null;
  if (under === null || under.coldestC > under.meanC - COLD_UNDER_K) return [];
  const { coldestC, meanC, coldestAt } = under;
  return [
    say('heat.cold-under', { press: name, place: placeOn(coldestAt, plate), colderK: meanC - coldestC }),
  ];
}

const pressureSaid = ({ here }: MeasuredPlate): Said =>
  say(here?.known.known.pressure ? 'heat.pressure-tested' : 'heat.pressure-untested');

function saidOf({ name, surveyedAt, here }: MeasuredPlate, day: (at: string) => string): Said[] {
  const under = here?.under ?? null;
  if (surveyedAt === null || here === null || under === null)
    return [say('heat.never-surveyed', { press: name })];
  const days = Math.floor((serverNow() - Date.parse(surveyedAt)) / DAY_MS);
  return [
    say('heat.surveyed', {
      press: name,
      on: day(surveyedAt),
      offsetK: here.known.offsetC,
      uncertainK: under.uncertainK,
    }),
    ...(serverNow() > surveyDueMs(surveyedAt) ? [say('heat.survey-due', { press: name, days })] : []),
  ];
}
