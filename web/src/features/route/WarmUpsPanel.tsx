import { t } from '../../words/index.ts';
import { warmUpSaid } from '@saltflat/core/route';
import type { WarmUp } from '@saltflat/core/route';
import { useWords } from '../../units/useWords.ts';
import { Panel, Stack } from '../../ui/index.ts';

/** What is switched on before the first piece, unless the day's work has it hot already. */
export function WarmUpsPanel({ warmUps }: { warmUps: readonly WarmUp[] }) {
  const words = useWords();
  if (warmUps.length === 0) return null;
  return (
    <Panel title={t('Before the first piece')} says={t('from cold')} pad="8px 16px 12px">
      <Stack as="ul" gap={6}>
        {warmUps.map((own) => (
          <li key={own.machine.id ?? own.machine.name}>{words(warmUpSaid(own))}</li>
        ))}
      </Stack>
    </Panel>
  );
}
