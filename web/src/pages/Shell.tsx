import { LANGUAGE, t } from '../words/index.ts';
import { countdownS } from '@saltflat/core/run';
import type { UnitSystem, Writing } from '@saltflat/core/units';
import { Suspense, lazy, useEffect, useMemo, useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, NavLink, Outlet } from 'react-router';
import { useConnection, HUMID_PCT, useDevice } from '../api/liveSlice.ts';
import { usePlanComingQuery } from '../api/planApi.ts';
import { useShopWritingQuery } from '../api/writingApi.ts';
import { serverNow } from '../api/serverClock.ts';
import {
  momentsOf,
  operationOf,
  useActiveRunsQuery,
  useLiveRuns,
  useOutbox,
} from '../features/floor/index.ts';
import { personNamed, usePerson } from '../person/personSlice.ts';
import {
  otherUnits,
  ownWritingChosen,
  shopWritingHeard,
  useUnits,
  useWriting,
} from '../units/writingSlice.ts';
import { deviceZone, isShopClockKnown, keepShopClock, shopZone, zoneWords } from '../units/shopClock.ts';
import { PLACES, REACHED } from './places.ts';
import { ShiftStrip } from './ShiftStrip.tsx';
import { useGlobalKeys } from './useGlobalKeys.ts';
import {
  Banner,
  Button,
  Loading,
  Place,
  SkipLink,
  TextField,
  TopBar,
  WideOnly,
  WritingProvider,
  barLink,
  styled,
  useNow,
} from '../ui/index.ts';

/** What is asked for is loaded then: the sheet of keys, the box that finds. */
const KeySheet = lazy(async () => ({ default: (await import('../keys/KeySheet.tsx')).KeySheet }));
const FindBox = lazy(async () => ({ default: (await import('../features/find/index.ts')).FindBox }));

/** What is on every screen: the places, the timers, the units, the shift. */
export function Shell() {
  const [isHelp, setIsHelp] = useState(false);
  const [isFinding, setIsFinding] = useState(false);
  useGlobalKeys({ onHelp: () => setIsHelp(true), onFind: () => setIsFinding(true) });
  const { data: runs = [] } = useActiveRunsQuery();
  const live = useLiveRuns(runs);
  const nowMs = useNow(serverNow, 1000);
  const moments = momentsOf(live, nowMs);
  const timers = live.flatMap(({ run, state }) =>
    state.steps.filter((step) => {
      const operation = operationOf(run, step);
      return step.status === 'running' && operation !== undefined && countdownS(operation, step) > 0;
    }),
  ).length;
  const writing = useHeardWriting();
  const zone = useHeardClock();
  const fieldWriting = useMemo(
    () => ({
      ...writing,
      clock:
        zone === null || zone === deviceZone()
          ? undefined
          : t('By the clock of {zone}', { zone: zoneWords(zone) }),
    }),
    [writing, zone],
  );
  return (
    <WritingProvider value={fieldWriting}>
      <SkipLink href="#place">{t('To the page')}</SkipLink>
      <TopBar>
        <Brand to="/orders">{NAME}</Brand>
        <nav aria-label={t('Places')}>
          {PLACES.map(({ path, name }) => (
            <NavLink key={path} to={path}>
              {name}
            </NavLink>
          ))}
        </nav>
        <Room />
        <Button
          look="quiet"
          size="small"
          label={t('Find anything')}
          hint="/"
          onClick={() => setIsFinding(true)}
        >
          {t('Find')}
        </Button>
        <WideOnly>
          <BarLink to="/floor">{timers === 1 ? t('1 timer') : t('{timers} timers', { timers })}</BarLink>
        </WideOnly>
        <UnitSwitch />
        <WideOnly>
          <Humidity />
        </WideOnly>
        <WorkingAs />
        <WideOnly>
          <Button look="quiet" size="small" label={t('Keys')} onClick={() => setIsHelp(true)}>
            ?
          </Button>
        </WideOnly>
      </TopBar>
      <ShiftStrip moments={moments} nowMs={nowMs} />
      <Offline />
      <Place id="place" tabIndex={-1}>
        <Suspense fallback={<Loading what={t('the page')} />}>
          {zone === null ? <Loading what={t('the page')} /> : <Outlet />}
        </Suspense>
      </Place>
      <Suspense fallback={null}>
        {isHelp && <KeySheet onClose={() => setIsHelp(false)} />}
        {isFinding && (
          <FindBox places={REACHED} onClose={() => setIsFinding(false)} onHelp={() => setIsHelp(true)} />
        )}
      </Suspense>
    </WritingProvider>
  );
}

/** How things are written here, kept up with the shop’s own way. */
function useHeardWriting(): Writing {
  const { data } = useShopWritingQuery();
  const dispatch = useDispatch();
  const heard = data?.document;
  useEffect(() => {
    if (heard) dispatch(shopWritingHeard(heard));
  }, [heard, dispatch]);
  const writing = useWriting();
  useEffect(() => {
    if (writing.language !== LANGUAGE) window.location.reload();
  }, [writing.language]);
  return writing;
}

/** Time zone of the clock that days and hours go by; `null` until it is known: what is typed before would mean another hour. */
function useHeardClock(): string | null {
  const { data, isError } = usePlanComingQuery();
  const [shown, setShown] = useState(isShopClockKnown() ? shopZone() : null);
  const heard = data?.zone;
  useEffect(() => {
    if (heard !== undefined) keepShopClock(heard);
    if (heard !== undefined && shown !== null && shown !== heard) window.location.reload();
    // without an answer the device’s own clock is the best there is
    else if (heard !== undefined || isError) setShown(shopZone());
  }, [heard, isError, shown]);
  return shown;
}

/** The same in any language. */
const NAME = 'Saltflat';

const Brand = styled(Link)({
  fontSize: 18,
  fontWeight: 720,
  fontStretch: '112%',
  color: 'inherit',
  textDecoration: 'none',
  marginRight: 12,
});
const Room = styled('span')({ flex: 1 });
const BarLink = styled(Link)(barLink);

const named = ({ temperature, length }: UnitSystem): string => `°${temperature} ${length}`;

function UnitSwitch() {
  const units = useUnits();
  const dispatch = useDispatch();
  const other = otherUnits(units);
  return (
    <Button
      size="small"
      label={t('Units: {now}. Change to {other}', { now: named(units), other: named(other) })}
      onClick={() => dispatch(ownWritingChosen(other))}
    >
      {named(units)}
    </Button>
  );
}

function Humidity() {
  const hygrometer = useDevice('hygrometer');
  const value = hygrometer?.value ?? null;
  const isHumid = value !== null && value > HUMID_PCT;
  const fault = hygrometer?.fault ?? null;
  const isAlarm = isHumid || fault !== null;
  const shown = value === null ? '–' : `${value} %`;
  return (
    <BarLink
      to="/devices"
      aria-label={[
        t('Room humidity {shown}', { shown }),
        ...(isHumid ? [t('over 60 %, powder clings to bare film')] : []),
        ...(fault === null ? [] : [fault]),
      ].join(': ')}
      style={isAlarm ? { color: 'var(--rose-ink)', fontWeight: 600 } : {}}
    >
      {t('RH {shown}', { shown })}
      {isHumid && ` ◆ ${t('humid')}`}
      {fault !== null && ` ■ ${t('no reading')}`}
    </BarLink>
  );
}

function WorkingAs() {
  const name = usePerson();
  const dispatch = useDispatch();
  return (
    <TextField
      label={t('Your name')}
      isNameHidden
      placeholder={t('Your name')}
      maxLength={60}
      width={112}
      value={name}
      onChange={(typed) => dispatch(personNamed(typed))}
    />
  );
}

function Offline() {
  const connection = useConnection();
  const { waiting } = useOutbox();
  if (connection !== 'lost') return null;
  return (
    <Banner role="status">
      {waiting.length === 0
        ? t(
            '■ No connection to the server. What you see may be old. Floor steps are kept on this device and sent when it is back.',
          )
        : t(
            '■ No connection to the server. What you see may be old. Floor steps are kept on this device ({count} waiting) and sent when it is back.',
            { count: waiting.length },
          )}
    </Banner>
  );
}
