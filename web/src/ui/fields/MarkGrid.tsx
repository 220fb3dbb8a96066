import { styled } from '@mui/material/styles';
import { useId, useState } from 'react';
import { TOKENS, focusRing } from '../theme/tokens.ts';

interface Props {
  label: string;
  /** Rows of marks, each called by its name and drawn in its colour. */
  rows: readonly { key: string; name: string; colour: string }[];
  /** Marks in a row. */
  count: number;
  /** A mark is there on what is looked at, or is a gap. */
  isGap: (row: string, nth: number) => boolean;
  isMarked: (row: string, nth: number) => boolean;
  /** What one mark is called. */
  nameOf: (row: string, nth: number) => string;
  onToggle: (row: string, nth: number) => void;
}

const Sheet = styled('div')({
  background: '#DFE5E2', // white marks are seen on it
  border: `1px solid ${TOKENS.edge}`,
  borderRadius: 4,
  padding: 10,
  overflowX: 'auto',
  '&:focus-visible': focusRing,
});
const Line = styled('div')({ display: 'flex', alignItems: 'center', gap: 8, width: 'max-content' });
const Name = styled('span')({ width: 64, fontSize: 12, color: TOKENS.muted });
const Cell = styled('span')({
  position: 'relative',
  display: 'inline-block',
  width: 12,
  height: 26,
  cursor: 'pointer',
  '&[data-tenth="true"]': { marginRight: 8 },
  '&[data-at="true"]': { outline: `2px solid ${TOKENS.brine}`, outlineOffset: -1 },
  '&[aria-selected="true"]::after': {
    content: '"×"',
    position: 'absolute',
    inset: 0,
    display: 'grid',
    placeItems: 'center',
    color: TOKENS.roseInk,
    background: TOKENS.rosePale,
    fontSize: 14,
    fontWeight: 700,
  },
});
const Bar = styled('span')({ position: 'absolute', left: 4, top: 3, width: 4, height: 20 });

/**
 * Rows of marks of which some are crossed out. There are hundreds: the whole is one stop of the tab key, and arrows go within
 * it; the hand hits the marks themselves.
 */
export function MarkGrid({ label, rows, count, isGap, isMarked, nameOf, onToggle }: Props) {
  const id = useId();
  const [at, setAt] = useState<readonly [row: number, nth: number]>([0, 1]);
  const cellId = (row: number, nth: number): string => `${id}-${row}-${nth}`;
  const onKey = (event: React.KeyboardEvent): void => {
    const [row, nth] = at;
    const moves: Record<string, readonly [number, number]> = {
      ArrowRight: [row, nth + 1],
      ArrowLeft: [row, nth - 1],
      ArrowDown: [row + 1, nth],
      ArrowUp: [row - 1, nth],
      Home: [row, 1],
      End: [row, count],
    };
    const to = moves[event.key];
    if (to === undefined && event.key !== ' ' && event.key !== 'Enter') return;
    event.preventDefault();
    event.stopPropagation();
    if (to === undefined) onToggle(rows[row]?.key ?? '', nth);
    else setAt([Math.min(rows.length - 1, Math.max(0, to[0])), Math.min(count, Math.max(1, to[1]))]);
  };
  return (
    <Sheet
      role="grid"
      aria-label={label}
      aria-multiselectable="true"
      tabIndex={0}
      aria-activedescendant={cellId(at[0], at[1])}
      onKeyDown={onKey}
    >
      {rows.map(({ key, name, colour }, row) => (
        <Line key={key} role="row">
          <Name role="rowheader">{name}</Name>
          <span role="presentation" style={{ display: 'flex' }}>
            {Array.from({ length: count }, (_, i) => i + 1).map((nth) => (
              <Cell
                key={nth}
                id={cellId(row, nth)}
                role="gridcell"
                aria-label={nameOf(key, nth)}
                aria-selected={isMarked(key, nth)}
                data-tenth={nth % 10 === 0}
                data-at={at[0] === row && at[1] === nth}
                onClick={() => {
                  setAt([row, nth]);
                  onToggle(key, nth);
                }}
              >
                {!isGap(key, nth) && <Bar style={{ background: colour }} />}
              </Cell>
            ))}
          </span>
        </Line>
      ))}
    </Sheet>
  );
}
