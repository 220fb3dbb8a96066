import { useEffect, useRef } from 'react';
import { useNavigate } from 'react-router';
import { PLACES } from './places.ts';

/** `g` then a letter goes to a place, `n` begins an order, `/` searches, `?` lists the keys. */
export function useGlobalKeys(onHelp: () => void): void {
  const navigate = useNavigate();
  const hasG = useRef(false);
  useEffect(() => {
    const goTo = (key: string): void => {
      const place = key === 'd' ? '/devices' : PLACES.find((own) => own.key === key)?.path;
      if (place) void navigate(place);
    };
    const onKey = (event: KeyboardEvent): void => {
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        isField(event.target) ||
        document.querySelector('[role=dialog]')
      )
        return;
      if (hasG.current) {
        hasG.current = false;
        event.stopImmediatePropagation(); // the letter belongs to the pair
        goTo(event.key);
      } else if (event.key === 'g') hasG.current = true;
      else if (event.key === 'n') void navigate('/orders/new');
      else if (event.key === '?') onHelp();
      else if (event.key === '/') {
        const search = document.querySelector<HTMLInputElement>('input[type=search]');
        search?.focus();
        if (search) event.preventDefault();
      } else return;
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => window.removeEventListener('keydown', onKey, { capture: true });
  }, [navigate, onHelp]);
}

const isField = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement;
