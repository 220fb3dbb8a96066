import { t } from '../words/index.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { useAttempt } from '../api/useAttempt.ts';
import { ClearDemo, useBeginningsQuery, useClearDemoMutation } from '../features/beginnings/index.ts';
import { Failed, Loading, useToast } from '../ui/index.ts';

/** The demo in the set-up: cleared when it is no longer wanted. */
export function DemoPart() {
  const { data, error, refetch } = useBeginningsQuery();
  const [clear] = useClearDemoMutation();
  const attempt = useAttempt();
  const tell = useToast();
  if (error)
    return (
      <Failed title={t('The demo cannot be looked at')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!data) return <Loading what={t('the demo')} />;
  return (
    <ClearDemo
      beginnings={data}
      onClear={(then) =>
        void attempt.make(
          'clear',
          () => clear(),
          () => {
            then();
            tell({ words: t('The demo is cleared; the set-up is as it was.') });
          },
        )
      }
      isBusy={attempt.isBusy('clear')}
      refusal={attempt.refusal('clear')}
    />
  );
}
