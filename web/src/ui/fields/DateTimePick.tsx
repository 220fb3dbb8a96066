import { AdapterDayjs } from '@mui/x-date-pickers/AdapterDayjs';
import { DateTimePicker } from '@mui/x-date-pickers/DateTimePicker';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import type { DateWriting } from '@saltflat/core/units';
import dayjs from 'dayjs';
import type { Dayjs } from 'dayjs';
import { useState } from 'react';
import { useFieldWriting } from '../theme/writing.tsx';
import { PICKER_WORDS, tellCalendar } from './pickerWords.ts';
import { below } from './FieldFrame.tsx';
import type { FieldProps } from './FieldFrame.tsx';

export interface DateTimeProps extends FieldProps {
  /** By the clock of this place, `2026-11-30T16:00`; empty where none is set. */
  value: string;
  onChange: (value: string) => void;
}

const LOCAL = 'YYYY-MM-DDTHH:mm';
const DAYS: Record<DateWriting['dayOrder'], string> = {
  'day-month': 'DD/MM/YYYY',
  'month-day': 'MM/DD/YYYY',
  'year-month-day': 'YYYY-MM-DD',
};
/** The picker itself; see DateTimeField. */
export function DateTimePick({ label, value, onChange, problem, width, ...own }: DateTimeProps) {
  const { dayOrder, hours, firstDay, clock } = useFieldWriting();
  const [typed, setTyped] = useState<Dayjs | null>(null); // half typed it is no value yet, and stays as it is
  const kept = value === '' ? null : dayjs(value);
  const isTwelve = hours === '12';
  tellCalendar(firstDay);
  return (
    <LocalizationProvider
      dateAdapter={AdapterDayjs}
      adapterLocale="en"
      localeText={PICKER_WORDS}
      key={firstDay}
    >
      <DateTimePicker
        label={label}
        ampm={isTwelve}
        format={`${DAYS[dayOrder]} ${isTwelve ? 'hh:mm A' : 'HH:mm'}`}
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
            helperText: below({ problem, help: clock, ...own }),
          },
        }}
      />
    </LocalizationProvider>
  );
}
