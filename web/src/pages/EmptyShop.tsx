import { t } from '../words/index.ts';
import { useAttempt } from '../api/useAttempt.ts';
import { FirstRun, useBeginningsQuery, useFillDemoMutation } from '../features/beginnings/index.ts';
import { Button, Empty, Loading } from '../ui/index.ts';

const ASK_MS = 1000;

/** There are no open orders: since the shop is new, or since all is done. */
export default function EmptyShop() {
  const { data } = useBeginningsQuery(undefined, { pollingInterval: ASK_MS, skipPollingIfUnfocused: true });
  const [fill] = useFillDemoMutation();
  const attempt = useAttempt();
  if (!data) return <Loading what={t('the shop')} />;
  if (data.orders > 0 && data.demo.state !== 'filling')
    return (
      <Empty title={t('No open orders')} action={<Button to="/orders/new">{t('Take in an order')}</Button>}>
        {t('Drop the artwork, choose the blank, say how many.')}
      </Empty>
    );
  return (
    <FirstRun
      beginnings={data}
      onFill={() => void attempt.make('fill', () => fill())}
      isFilling={attempt.isBusy('fill')}
      refusal={attempt.refusal('fill')}
    />
  );
}
