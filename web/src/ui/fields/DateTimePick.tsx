import { AdapterDayjs } from '@mui/x-date-pickers/AdapterDayjs';
import { DateTimePicker } from '@mui/x-date-pickers/DateTimePicker';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import dayjs from 'dayjs';
import type { Dayjs } from 'dayjs';
import { useState } from 'react';
import { below } from './FieldFrame.tsx';
import type { FieldProps } from './FieldFrame.tsx';

export interface DateTimeProps extends FieldProps {
  /** By the clock of this place, `2026-11-30T16:00`; empty where none is set. */
  value: string;
  onChange: (value: string) => void;
}

const LOCAL = 'YYYY-MM-DDTHH:mm';

/** What a browser writes a known day as says which of the two comes first. */
const isMonthFirst = (): boolean =>
  new Intl.DateTimeFormat(undefined).formatToParts(new Date(2026, 10, 30))[0]?.type === 'month';

/** The picker itself; see DateTimeField. */
export function DateTimePick({ label, value, onChange, problem, width, ...own }: DateTimeProps) {
  const isAmerican = isMonthFirst();
  const [typed, setTyped] = useState<Dayjs | null>(null); // half typed it is no value yet, and stays as it is
  const kept = value === '' ? null : dayjs(value);
  return (
    <LocalizationProvider dateAdapter={AdapterDayjs}>
      <DateTimePicker
        label={label}
        ampm={isAmerican}
        format={isAmerican ? 'MM/DD/YYYY hh:mm A' : 'DD/MM/YYYY HH:mm'}
        value={kept ?? typed}
        onChange={(day) => {
          setTyped(day);
          onChange(day?.isValid() === true ? day.format(LOCAL) : '');
        }}
        slotProps={{
          textField: {
            size: 'small',
            fullWidth: width === undefined,
            ...(width === undefined ? {} : { sx: { width } }),
            error: Boolean(problem),
            helperText: below({ problem, ...own }),
          },
        }}
      />
    </LocalizationProvider>
  );
}
