import LinearProgress from '@mui/material/LinearProgress';
import { problemMessage } from '../../api/problemMessage.ts';
import { Replanned } from './Replanned.tsx';
import { useShopChangeQuery } from './shopApi.ts';

const ASK_MS = 1000;

/** What a change of the set-up does to the routes not run yet: they follow in the background, and this follows them. */
export function Followed({ changeId, drafts }: { changeId: string; drafts: number }) {
  const { data, error } = useShopChangeQuery(changeId, {
    pollingInterval: ASK_MS,
    skipPollingIfUnfocused: true,
  });
  const planned = data?.planned ?? 0;
  if (error)
    return (
      <p className="alarm" role="alert">
        {problemMessage(error)}
      </p>
    );
  if (!data || planned < drafts)
    return (
      <section className="panel replanned" role="status" aria-label="What changed in the routes">
        <header>
          <h2>
            {planned} of {drafts} drafts are planned anew
          </h2>
          <LinearProgress
            variant="determinate"
            value={drafts === 0 ? 100 : (100 * planned) / drafts}
            aria-label="Drafts planned anew"
            sx={{ width: 140 }}
          />
        </header>
      </section>
    );
  return <Replanned changes={data.replanned} unchanged={data.unchanged} />;
}
