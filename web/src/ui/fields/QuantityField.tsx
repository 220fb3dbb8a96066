import { rich, t } from '../../words/index.ts';
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
  /** What can be meant, in the stored unit: anything else is told, and not handed on. */
  span?: readonly [least: number, most: number] | undefined;
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
  span,
  usual = null,
  mayBeEmpty = false,
  id,
  autoFocus,
}: Props) {
  const [text, setText] = useState(() => shownText(value, kind, system));
  const [typedProblem, setTypedProblem] = useState('');
  const [isTyped, setIsTyped] = useState(false);
  const [beyond, setBeyond] = useState<number | null>(null); // typed, and outside of what can be meant
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
    const isBeyond = parsed.ok && span !== undefined && !isWithin(parsed.value, span);
    setBeyond(isBeyond ? parsed.value : null);
    setTypedProblem(!parsed.ok ? parsed.problem : isBeyond ? spanWords(span, kind, system) : '');
    onChange(parsed.ok && !isBeyond ? parsed.value : null);
  };
  const mean = (meant: number): void => {
    setText(shownText(meant, kind, system));
    setTypedProblem('');
    setBeyond(null);
    onChange(meant);
  };
  const isUsual = value !== null && usual !== null && value >= usual / 3 && value <= usual * 3;
  const judged = beyond ?? value;
  const found = judged === null || isUsual || !isTyped ? null : findSlip(judged, kind); // what stood there before was meant
  const slip = found && span && !isWithin(found.meantValue, span) ? null : found;
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
            <Button size="small" onClick={() => mean(slip.meantValue)}>
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

type Span = readonly [least: number, most: number];

const isWithin = (value: number, [least, most]: Span): boolean => value >= least && value <= most;

const spanWords = ([least, most]: Span, kind: QuantityKind, system: UnitSystem): string =>
  t('It goes from {least} to {most}.', {
    least: formatQuantity(least, kind, system),
    most: formatQuantity(most, kind, system),
  });
