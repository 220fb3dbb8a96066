import { countdownS } from '@saltflat/core/run';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { Suspense, useCallback, useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, NavLink, Outlet } from 'react-router';
import { useConnection, useDevice } from '../api/liveSlice.ts';
import { serverNow } from '../api/serverClock.ts';
import {
  momentsOf,
  operationOf,
  useActiveRunsQuery,
  useLiveRuns,
  useOutbox,
} from '../features/floor/index.ts';
import { personNamed, usePerson } from '../person/personSlice.ts';
import { Loading } from '../ui/Notice.tsx';
import { useNow } from '../ui/useNow.ts';
import { unitsChanged, useUnits } from '../units/unitsSlice.ts';
import { KEYS, PLACES } from './places.ts';
import { ShiftStrip } from './ShiftStrip.tsx';
import { useGlobalKeys } from './useGlobalKeys.ts';
import './shell.css';

/** What is on every screen: the places, the timers, the units, the shift. */
export function Shell() {
  const [isHelp, setIsHelp] = useState(false);
  useGlobalKeys(useCallback(() => setIsHelp(true), []));
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
  return (
    <>
      <a className="skip" href="#place">
        To the page
      </a>
      <header className="top-bar">
        <Link to="/orders" className="brand">
          Saltflat
        </Link>
        <nav aria-label="Places">
          {PLACES.map(({ path, name }) => (
            <NavLink key={path} to={path}>
              {name}
            </NavLink>
          ))}
        </nav>
        <span className="spacer" />
        <Link to="/floor" className="timers">
          {timers === 1 ? '1 timer' : `${timers} timers`}
        </Link>
        <UnitSwitch />
        <Humidity />
        <WorkingAs />
        <Button
          size="small"
          variant="text"
          aria-label="Keys"
          onClick={() => setIsHelp(true)}
          sx={{ minWidth: 36, paddingInline: '6px' }}
        >
          ?
        </Button>
      </header>
      <ShiftStrip moments={moments} nowMs={nowMs} />
      <Offline />
      <main id="place" className="page" tabIndex={-1}>
        <Suspense fallback={<Loading what="the page" />}>
          <Outlet />
        </Suspense>
      </main>
      {isHelp && <KeyList onClose={() => setIsHelp(false)} />}
    </>
  );
}

function UnitSwitch() {
  const units = useUnits();
  const dispatch = useDispatch();
  const other =
    units.temperature === 'C'
      ? ({ temperature: 'F', length: 'in' } as const)
      : ({ temperature: 'C', length: 'mm' } as const);
  return (
    <button
      type="button"
      className="unit-switch"
      aria-label={`Units: °${units.temperature} and ${units.length}. Change to °${other.temperature} and ${other.length}`}
      onClick={() => dispatch(unitsChanged(other))}
    >
      °{units.temperature} {units.length}
    </button>
  );
}

function Humidity() {
  const hygrometer = useDevice('hygrometer');
  const value = hygrometer?.value ?? null;
  const isHumid = value !== null && value > 60;
  return (
    <Link
      to="/devices"
      className="humidity"
      data-alarm={isHumid || (hygrometer !== undefined && hygrometer.fault !== null)}
      title={isHumid ? 'Over 60 %: powder clings to bare film' : (hygrometer?.fault ?? 'Room humidity')}
    >
      RH {value === null ? '–' : `${value} %`}
      {isHumid && ' ◆ humid'}
    </Link>
  );
}

function WorkingAs() {
  const name = usePerson();
  const dispatch = useDispatch();
  return (
    <input
      className="working-as"
      aria-label="Your name"
      placeholder="Your name"
      maxLength={60}
      value={name}
      onChange={(event) => dispatch(personNamed(event.target.value))}
    />
  );
}

function Offline() {
  const connection = useConnection();
  const { waiting } = useOutbox();
  if (connection !== 'lost') return null;
  return (
    <p className="offline" role="status">
      ■ No connection to the server. What you see may be old. Floor steps are kept on this device
      {waiting.length > 0 && ` (${waiting.length} waiting)`} and sent when it is back.
    </p>
  );
}

function KeyList({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <table className="dense">
          <tbody>
            {KEYS.map(([keys, does]) => (
              <tr key={keys}>
                <td className="code nowrap">{keys}</td>
                <td>{does}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <Button onClick={onClose} variant="outlined" sx={{ mt: 2 }}>
          Close
        </Button>
      </DialogContent>
    </Dialog>
  );
}
