import { t } from '../../words/index.ts';
import { problemMessage } from '../../api/problemMessage.ts';
import { Replanned } from './Replanned.tsx';
import { useShopChangeQuery } from './shopApi.ts';
import { Panel, Progress, Refusal } from '../../ui/index.ts';

const ASK_MS = 1000;

/** What a change of the set-up does to the routes not run yet: they follow in the background, and this follows them. */
export function Followed({ changeId, drafts }: { changeId: string; drafts: number }) {
  const { data, error, refetch } = useShopChangeQuery(changeId, {
    pollingInterval: ASK_MS,
    skipPollingIfUnfocused: true,
  });
  const planned = data?.planned ?? 0;
  if (error)
    return (
      <Refusal
        words={t('What came of the routes cannot be shown: {error}', { error: problemMessage(error) })}
        onRetry={() => void refetch()}
      />
    );
  if (!data || planned < drafts)
    return (
      <Panel label={t('What changed in the routes')} pad="10px 16px">
        <Progress
          words={t('{planned} of {drafts} drafts are planned anew', { planned, drafts })}
          share={drafts === 0 ? 1 : planned / drafts}
        />
      </Panel>
    );
  return <Replanned changes={data.replanned} unchanged={data.unchanged} />;
}
