import { Type } from 'typebox';
import type { FilmPrinter } from './printers.ts';
import type { SprayerDevice } from './sprayers.ts';
import { Instant, nullable, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

/** What a device last said; `null` when it says nothing usable. */
export const Device = strictObject({
  id: Type.Enum(['scale', 'hygrometer', 'room-thermometer', 'thermometer']),
  name: Type.String(),
  isSimulated: Type.Boolean(),
  quantity: Type.Enum(['mass', 'humidity', 'temperature']),
  unit: Type.String(),
  value: nullable(Type.Number()),
  isStable: Type.Boolean(),
  fault: nullable(Type.String()),
  at: Instant,
  /** How the stand-in is being driven. */
  drive: strictObject({
    target: Type.Number(),
    noise: Type.Number(),
    driftPerHour: Type.Number(),
    hasFault: Type.Boolean(),
  }),
});
export type Device = Static<typeof Device>;

/** Turns the knobs of a simulated device; what is left out stays. */
export const DeviceDrive = strictObject({
  target: Type.Optional(Type.Number({ title: 'True value', minimum: 0, maximum: 20000 })),
  noise: Type.Optional(Type.Number({ title: 'Noise', minimum: 0, maximum: 50 })),
  driftPerHour: Type.Optional(Type.Number({ title: 'Drift per hour', minimum: -100, maximum: 100 })),
  hasFault: Type.Optional(Type.Boolean({ title: 'Fault' })),
});
export type DeviceDrive = Static<typeof DeviceDrive>;

/** What the server pushes: a record that changed, or a device that spoke. */
export type LiveMessage =
  | {
      kind: 'changed';
      noun:
        | 'order'
        | 'line'
        | 'run'
        | 'artwork'
        | 'material'
        | 'change'
        | 'job'
        | 'press-check'
        | 'bench-note'
        | 'care'
        | 'film-layout'
        | 'shelf'
        | 'day-plan'
        | 'everything';
      id: string;
    }
  | { kind: 'device'; device: Device }
  | { kind: 'printer'; printer: FilmPrinter }
  | { kind: 'sprayer'; sprayer: SprayerDevice }
  | { kind: 'clock'; serverAt: string };
