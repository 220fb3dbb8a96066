import type { Device, FilmPrinter, SprayerDevice } from '@saltflat/contract';
import { createSlice } from '@reduxjs/toolkit';
import type { PayloadAction } from '@reduxjs/toolkit';
import { useSelector } from 'react-redux';

interface LiveState {
  connection: 'connecting' | 'open' | 'lost';
  devices: Partial<Record<Device['id'], Device>>;
  /** By the machine. */
  printers: Partial<Record<string, FilmPrinter>>;
  sprayers: Partial<Record<string, SprayerDevice>>;
}

/** What the server tells by itself: that it is there, and what its devices say. */
export const liveSlice = createSlice({
  name: 'live',
  initialState: (): LiveState => ({ connection: 'connecting', devices: {}, printers: {}, sprayers: {} }),
  reducers: {
    connectionChanged: (state, { payload }: PayloadAction<LiveState['connection']>) => {
      state.connection = payload;
    },
    deviceSpoke: (state, { payload }: PayloadAction<Device>) => {
      state.devices[payload.id] = payload;
    },
    printerSpoke: (state, { payload }: PayloadAction<FilmPrinter>) => {
      state.printers[payload.machineId] = payload;
    },
    sprayerSpoke: (state, { payload }: PayloadAction<SprayerDevice>) => {
      state.sprayers[payload.machineId] = payload;
    },
  },
});

export const { connectionChanged, deviceSpoke, printerSpoke, sprayerSpoke } = liveSlice.actions;

export const useConnection = (): LiveState['connection'] =>
  useSelector((state: { live: LiveState }) => state.live.connection);
/** More than this, and powder clings to bare film, % relative humidity (trade figure). */
export const HUMID_PCT = 60;

export const useDevice = (id: Device['id']): Device | undefined =>
  useSelector((state: { live: LiveState }) => state.live.devices[id]);

/** The room's air as its sensors say it: °C, and relative humidity as a share; `null` where none speaks. */
export function useMeasuredRoom(): { roomC: number | null; humidity: number | null } {
  const percent = useDevice('hygrometer')?.value ?? null;
  return {
    roomC: useDevice('room-thermometer')?.value ?? null,
    humidity: percent === null ? null : percent / 100,
  };
}

/** What a printer said last; nothing while it has not spoken. */
export const useSpokenPrinter = (machineId: string): FilmPrinter | undefined =>
  useSelector((state: { live: LiveState }) => state.live.printers[machineId]);

/** What a sprayer said last; nothing while it has not spoken. */
export const useSpokenSprayer = (machineId: string): SprayerDevice | undefined =>
  useSelector((state: { live: LiveState }) => state.live.sprayers[machineId]);
