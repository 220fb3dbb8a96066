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
  /** What can be meant: anything else is told, and not handed on. */
  span?: readonly [least: number, most: number] | undefined;
  isWhole?: boolean;
  /** Behind the number. */
  unit?: string;
}

/** A bare number, or money: what is not understood stays on the screen and says so. */
export function NumberField({
  value,
  onChange,
  isMoney = false,
  unit,
  problem,
  span,
  isWhole = false,
  ...own
}: Props) {
  const shown = value === null ? '' : isMoney ? (value / 100).toFixed(2) : String(value);
  const { currency } = useFieldWriting();
  const [text, setText] = useState(shown);
  const read = (typed: string): number | null => (isMoney ? parseMoney(typed, currency) : parsePlain(typed));
  useEffect(() => {
    if (read(text) !== value && !(text.trim() === '' && value === null)) setText(shown);
    // only a value from outside rewrites what is typed
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [value]);
  const wrong = (typed: string): string | undefined => {
    const number = read(typed);
    if (number === null)
      return typed.trim() === '' ? undefined : t('“{text}” is not a number.', { text: typed });
    if (isWhole && !Number.isInteger(number)) return t('It is a whole number.');
    return span && (number < span[0] || number > span[1])
      ? t('It goes from {least} to {most}.', { least: span[0], most: span[1] })
      : undefined;
  };
  return (
    <TextField
      {...own}
      value={text}
      problem={problem ?? wrong(text)}
      inputMode="decimal"
      before={isMoney ? CURRENCIES[currency] : undefined}
      after={unit}
      onChange={(typed) => {
        setText(typed);
        onChange(wrong(typed) === undefined ? read(typed) : null);
      }}
    />
  );
}

function parsePlain(text: string): number | null {
  const number = Number(text.trim().replace(',', '.'));
  return text.trim() === '' || !Number.isFinite(number) ? null : number;
}
