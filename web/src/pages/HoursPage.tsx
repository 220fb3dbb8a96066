import { useNavigate } from 'react-router';
import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { useChangeCalendarMutation, useShopCalendarQuery, useWorkTimesQuery } from '../api/planApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { HoursView, TimesPanel } from '../features/plan/index.ts';
import { Failed, Loading, PageHead, Refusal, Stack, useToast } from '../ui/index.ts';
import { t } from '../words/index.ts';

/** When the shop works. */
export function HoursPage() {
  const { data: calendar, error, refetch } = useShopCalendarQuery();
  const { data: catalogue, error: unread, refetch: readAgain } = useCatalogueQuery();
  const { data: times, error: untold, refetch: askTimes } = useWorkTimesQuery();
  const [save] = useChangeCalendarMutation();
  const navigate = useNavigate();
  const tell = useToast();
  if (error || unread)
    return (
      <Failed
        title={t('The working hours cannot be shown')}
        onRetry={() => void (error ? refetch() : readAgain())}
      >
        {problemMessage(error ?? unread)}
      </Failed>
    );
  if (!calendar || !catalogue) return <Loading what={t('the working hours')} />;
  return (
    <Stack gap={16}>
      <PageHead
        title={t('Working hours')}
        says={t('Who is there when, what stands still, and how long work takes: plans go by it')}
      />
      <HoursView
        calendar={calendar}
        machines={catalogue.machines}
        save={save}
        onSaved={() => {
          tell({ words: t('The plan goes by these hours from now on.') });
          void navigate('/plan');
        }}
      />
      {untold && <Refusal words={problemMessage(untold)} onRetry={() => void askTimes()} />}
      {times && <TimesPanel times={times} />}
    </Stack>
  );
}
