import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { useChangeCalendarMutation, useKeepPlanMutation, usePlanGroundQuery } from '../api/planApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { useAttempt } from '../api/useAttempt.ts';
import { PlanView } from '../features/plan/index.ts';
import { useSignature } from '../person/personSlice.ts';
import { Button, Empty, Failed, Loading } from '../ui/index.ts';
import { t } from '../words/index.ts';

/** The days of the shop: what is made when, and what will be late. */
export function PlanPage() {
  const { data: ground, error, refetch } = usePlanGroundQuery();
  const { data: catalogue, error: unread, refetch: readAgain } = useCatalogueQuery();
  const [keep] = useKeepPlanMutation();
  const [change] = useChangeCalendarMutation();
  const attempt = useAttempt();
  const by = useSignature();
  if (error || unread)
    return (
      <Failed title={t('The plan cannot be shown')} onRetry={() => void (error ? refetch() : readAgain())}>
        {problemMessage(error ?? unread)}
      </Failed>
    );
  if (!ground || !catalogue) return <Loading what={t('what is to be planned')} />;
  if (ground.jobs.length === 0)
    return (
      <Empty
        isPage
        title={t('Nothing is to be planned')}
        action={
          <Button look="primary" to="/orders/new">
            {t('New order')}
          </Button>
        }
      >
        {t('Lines that are ready for the floor are planned here, with what is on it.')}
      </Empty>
    );
  return (
    <PlanView
      ground={ground}
      machines={catalogue.machines}
      isKeeping={attempt.isBusy('keep')}
      refusal={attempt.refusal('keep')}
      event={{
        isSending: attempt.isBusy('event'),
        refusal: attempt.refusal('event'),
        say: (record, then) =>
          void attempt.make('event', () => change({ version: ground.calendar.version, record }), then),
      }}
      onKeep={(document, then) =>
        void attempt.make('keep', () => keep({ basedOn: ground.kept?.number ?? 0, document, by }), then)
      }
    />
  );
}
