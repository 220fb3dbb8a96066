import { t } from '../../words/index.ts';
import { CURRENCIES, parseMoney } from '@saltflat/core/units';
import { useEffect, useState } from 'react';
import { useFieldWriting } from '../theme/writing.tsx';
import { TextField } from './TextField.tsx';
import type { FieldProps } from './FieldFrame.tsx';

interface Props extends FieldProps {
  value: number | null;
  onChange: (value: number | null) => void;
  /** In hundredths: shown and typed in whole units. */
  isMoney?: boolean;
  /** Behind the number. */
  unit?: string;
}

/** A bare number, or money: what is not understood stays on the screen and says so. */
export function NumberField({ value, onChange, isMoney = false, unit, problem, ...own }: Props) {
  const shown = value === null ? '' : isMoney ? (value / 100).toFixed(2) : String(value);
  const { currency } = useFieldWriting();
  const [text, setText] = useState(shown);
  const read = (typed: string): number | null => (isMoney ? parseMoney(typed, currency) : parsePlain(typed));
  useEffect(() => {
    if (read(text) !== value && !(text.trim() === '' && value === null)) setText(shown);
    // only a value from outside rewrites what is typed
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [value]);
  const isWrong = text.trim() !== '' && read(text) === null;
  return (
    <TextField
      {...own}
      value={text}
      problem={problem ?? (isWrong ? t('“{text}” is not a number.', { text }) : undefined)}
      inputMode="decimal"
      before={isMoney ? CURRENCIES[currency] : undefined}
      after={unit}
      onChange={(typed) => {
        setText(typed);
        onChange(read(typed));
      }}
    />
  );
}

function parsePlain(text: string): number | null {
  const number = Number(text.trim().replace(',', '.'));
  return text.trim() === '' || !Number.isFinite(number) ? null : number;
}
