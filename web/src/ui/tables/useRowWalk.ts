import type { Virtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState } from 'react';
import { moveFor } from './tableKeys.ts';

interface Walked {
  rows: number;
  virtual: Pick<Virtualizer<HTMLDivElement, Element>, 'scrollToIndex'>;
  /** How many are in sight. */
  page: number;
  body: React.RefObject<HTMLElement | null>;
  onOpen: ((index: number) => void) | undefined;
}

/** Rows walked by keyboard, those that are not drawn yet too: the focus goes to a row as soon as it is there. */
export function useRowWalk({ rows, virtual, page, body, onOpen }: Walked) {
  const [active, setActive] = useState(0);
  const wanted = useRef<number | null>(null);
  useEffect(() => {
    const at = wanted.current;
    if (at === null) return;
    const row = body.current?.querySelector<HTMLElement>(`[data-index="${at}"]`);
    if (!row) return; // it is drawn once the table has scrolled there
    wanted.current = null;
    row.focus({ preventScroll: true });
  });
  const onKeyDown = (event: React.KeyboardEvent): void => {
    if (event.target instanceof Element && event.target.closest('a, button')) return; // what is pressed there is its own
    if (event.key === 'Enter' && active < rows) {
      onOpen?.(active);
      return;
    }
    const to = moveFor(event.key, active, rows, page);
    if (to === null) return;
    event.preventDefault();
    wanted.current = to;
    setActive(to);
    virtual.scrollToIndex(to, { align: 'auto' });
  };
  return { active: Math.min(active, rows - 1), setActive, onKeyDown };
}
