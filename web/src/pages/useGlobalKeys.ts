import { t } from '../words/t.ts';
import { useNavigate } from 'react-router';
import { useKeys } from '../keys/index.ts';
import { REACHED } from './places.ts';

/** What works everywhere: `g` and a letter goes to a place, `n` begins an order, `/` finds anything, `?` lists the keys. */
export function useGlobalKeys({ onHelp, onFind }: { onHelp: () => void; onFind: () => void }): void {
  const navigate = useNavigate();
  useKeys(t('Everywhere'), [
    { key: '/', does: t('find an order, an artwork, a blank, a place, an action'), act: onFind },
    ...REACHED.map(({ key, name, path }) => ({
      key: `g ${key}`,
      does: t('go to {name}', { name }),
      act: () => void navigate(path),
    })),
    { key: 'n', does: t('new order'), act: () => void navigate('/orders/new') },
    { key: '?', does: t('this list'), act: onHelp },
  ]);
}
