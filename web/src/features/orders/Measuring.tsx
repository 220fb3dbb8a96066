import { t } from '../../words/index.ts';
import { useLineJobQuery } from '../../api/linesApi.ts';
import { Progress } from '../../ui/index.ts';

/** How far a line is that waits for its route: its art is measured, or it is about to be. */
export function Measuring({ lineId }: { lineId: string }) {
  const { data } = useLineJobQuery(lineId);
  const job = data?.job?.state === 'running' ? data.job : null;
  return (
    <Progress
      words={job ? t('Measuring every pixel of the art') : t('The route is being planned')}
      share={job?.share ?? null}
    />
  );
}
