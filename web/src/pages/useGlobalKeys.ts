import { useNavigate } from 'react-router';
import { useKeys } from '../keys/index.ts';
import { REACHED } from './places.ts';

/** What works everywhere: `g` and a letter goes to a place, `n` begins an order, `/` finds anything, `?` lists the keys. */
export function useGlobalKeys({ onHelp, onFind }: { onHelp: () => void; onFind: () => void }): void {
  const navigate = useNavigate();
  useKeys('Everywhere', [
    { key: '/', does: 'find an order, an artwork, a blank, a place, an action', act: onFind },
    ...REACHED.map(({ key, name, path }) => ({
      key: `g ${key}`,
      does: `go to ${name}`,
      act: () => void navigate(path),
    })),
    { key: 'n', does: 'new order', act: () => void navigate('/orders/new') },
    { key: '?', does: 'this list', act: onHelp },
  ]);
}
