import { Suspense, lazy } from 'react';
import { TextField } from './TextField.tsx';
import type { DateTimeProps } from './DateTimePick.tsx';

/** Calendars weigh as much as half the first page: they come with the first field that needs one. */
const Picker = lazy(async () => ({ default: (await import('./DateTimePick.tsx')).DateTimePick }));

/** A day and a time, typed or picked; day or month first as this device has it. */
export const DateTimeField = (props: DateTimeProps) => (
  <Suspense fallback={<TextField {...props} disabled onChange={() => undefined} />}>
    <Picker {...props} />
  </Suspense>
);
