import type { PlanTime } from '../../planned/index.ts';
import { OfferPanel } from './OfferPanel.tsx';
import { SincePanel } from './SincePanel.tsx';
import type { PlanDesk } from './usePlanRoom.ts';

/** What stands open: a better plan that was found, or what has come in the way of the one that was kept. */
export function PlanOffers({ desk, time }: { desk: PlanDesk; time: PlanTime }) {
  const { offer, later, search } = desk;
  if (offer) return <OfferPanel offer={offer} time={time} onTake={desk.take} onLeave={desk.leave} />;
  if (later.length === 0) return null;
  return (
    <SincePanel
      later={later}
      time={time}
      isSearching={search.status === 'running'}
      onImprove={desk.improve}
      onStop={desk.stop}
    />
  );
}
