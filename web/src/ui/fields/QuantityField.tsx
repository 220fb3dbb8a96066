import { rich } from '../../words/index.ts';
import { findSlip, formatQuantity, parseQuantity, shownUnit } from '@saltflat/core/units';
import type { QuantityKind, UnitSystem } from '@saltflat/core/units';
import { useEffect, useState } from 'react';
import { Button } from '../actions/Button.tsx';
import { Note } from '../states/Note.tsx';
import { shownText, stillSays } from './quantityText.ts';
import { TextField } from './TextField.tsx';

interface Props {
  label: string;
  kind: QuantityKind;
  /** In the kind's stored unit; `null` while nothing usable is typed. */
  value: number | null;
  system: UnitSystem;
  onChange: (value: number | null) => void;
  problem?: string | undefined;
  /** What is usual here: a value near it is no slip, however it looks elsewhere. */
  usual?: number | null;
  /** Nothing typed is an answer too. */
  mayBeEmpty?: boolean;
  id?: string;
  autoFocus?: boolean;
}

/** Reads quantities as people type them, shows the other unit beside, and asks when a number looks like a slip. */
export function QuantityField({
  label,
  kind,
  value,
  system,
  onChange,
  problem,
  usual = null,
  mayBeEmpty = false,
  id,
  autoFocus,
}: Props) {
  const [text, setText] = useState(() => shownText(value, kind, system));
  const [typedProblem, setTypedProblem] = useState('');
  const [isTyped, setIsTyped] = useState(false);
  useEffect(() => {
    if (value !== null && !stillSays(text, value, kind, system)) setText(shownText(value, kind, system));
    // what is being typed stays as it is; only a value from outside or another unit rewrites it
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [value, kind, system]);

  const type = (typed: string): void => {
    setText(typed);
    setIsTyped(true);
    if (mayBeEmpty && typed.trim() === '') {
      setTypedProblem('');
      onChange(null);
      return;
    }
    const parsed = parseQuantity(typed, kind, system);
    setTypedProblem(parsed.ok ? '' : parsed.problem);
    onChange(parsed.ok ? parsed.value : null);
  };
  const isUsual = value !== null && usual !== null && value >= usual / 3 && value <= usual * 3;
  const slip = value === null || isUsual || !isTyped ? null : findSlip(value, kind); // what stood there before was meant
  const other = value === null ? '' : otherUnit(value, kind, system);
  const wrong = problem ?? typedProblem;
  return (
    <div>
      <TextField
        label={label}
        value={text}
        problem={wrong === '' ? undefined : wrong}
        help={other}
        keepsRoom
        onChange={type}
        after={shownUnit(kind, system)}
        {...(id === undefined ? {} : { id })}
        autoFocus={autoFocus ?? false}
      />
      {slip && (
        <Note
          tone="caution"
          isSmall
          role="status"
          actions={
            <Button size="small" onClick={() => onChange(slip.meantValue)}>
              {rich('Yes, use {meantValue}', { meantValue: formatQuantity(slip.meantValue, kind, system) })}
            </Button>
          }
        >
          {slip.question}
        </Note>
      )}
    </div>
  );
}

function otherUnit(value: number, kind: QuantityKind, system: UnitSystem): string {
  if (kind === 'temperature')
    return formatQuantity(value, kind, { ...system, temperature: system.temperature === 'C' ? 'F' : 'C' });
  return kind === 'length'
    ? formatQuantity(value, kind, { ...system, length: system.length === 'mm' ? 'in' : 'mm' })
    : '';
}
