import type { Catalogue, PlanGround } from '@saltflat/contract';
import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { usePlanGroundQuery } from '../api/planApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { serverNow } from '../api/serverClock.ts';
import { usePlanTime } from '../planned/index.ts';
import { TodayView, useWorthKnowing } from '../features/today/index.ts';
import { Button, Empty, Failed, Loading, PageHead } from '../ui/index.ts';
import { t } from '../words/index.ts';

/** The state of the room. */
export function TodayPage() {
  const { data: ground, error, refetch } = usePlanGroundQuery();
  const { data: catalogue, error: unread, refetch: readAgain } = useCatalogueQuery();
  if (error || unread)
    return (
      <Failed title={t('Today cannot be shown')} onRetry={() => void (error ? refetch() : readAgain())}>
        {problemMessage(error ?? unread)}
      </Failed>
    );
  if (!ground || !catalogue) return <Loading what={t('the room')} />;
  if (ground.jobs.length === 0)
    return (
      <Empty
        isPage
        title={t('Nothing is to be done')}
        action={
          <Button look="primary" to="/orders/new">
            {t('New order')}
          </Button>
        }
      >
        {t('Orders that are ready for the floor, and what is on it, stand here by station.')}
      </Empty>
    );
  return (
    <>
      <PageHead title={t('Today')} says={<ShopDay zone={ground.calendar.document.zone} />} />
      <Room ground={ground} catalogue={catalogue} />
    </>
  );
}

/** The day it is where the shop is. */
const ShopDay = ({ zone }: { zone: string }) => usePlanTime(0, zone)(serverNow() / 60_000, 'weekday');

function Room({ ground, catalogue }: { ground: PlanGround; catalogue: Catalogue }) {
  const hasPowder = ground.jobs.some(({ lines }) =>
    lines.some(({ operations }) => operations.some(({ role }) => role === 'powder')),
  );
  return (
    <TodayView
      ground={ground}
      catalogue={catalogue}
      known={useWorthKnowing(catalogue, { hasPowder, short: ground.short })}
    />
  );
}
