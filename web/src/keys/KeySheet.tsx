import { t } from '../words/index.ts';
import type { KeyLine } from './registry.ts';
import { useKeysNow } from './useKeys.ts';
import { Button, Columns, Dialog, SimpleTable } from '../ui/index.ts';

const COLUMNS = [
  {
    key: 'shown',
    title: t('Key'),
    cell: ({ shown }: KeyLine) => <span className="code">{shown}</span>,
    isNoWrap: true,
  },
  { key: 'does', title: t('What it does'), cell: ({ does }: KeyLine) => does },
];

/** Every key that works now, by where it works. */
export function KeySheet({ onClose }: { onClose: () => void }) {
  const groups = useKeysNow();
  return (
    <Dialog
      title={t('Keys')}
      width="md"
      onClose={onClose}
      actions={<Button onClick={onClose}>{t('Close')}</Button>}
    >
      <Columns least={340} gap={20}>
        {groups.map(({ scope, lines }) => (
          <section key={scope} aria-label={scope}>
            <h3>{scope}</h3>
            <SimpleTable
              label={scope}
              columns={COLUMNS}
              rows={lines}
              keyOf={({ shown, does }) => shown + does}
              isHeadHidden
            />
          </section>
        ))}
      </Columns>
    </Dialog>
  );
}
