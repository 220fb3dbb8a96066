import { rich, t } from '../../words/index.ts';
import type { Beginnings } from '@saltflat/contract';
import { useState } from 'react';
import { Link } from 'react-router';
import type { RefusalProps } from '../../api/useAttempt.ts';
import { Button, Dialog, Panel, Refusal, Stack } from '../../ui/index.ts';

interface Props {
  beginnings: Beginnings;
  /** `then` once it is. */
  onClear: (then: () => void) => void;
  isBusy: boolean;
  refusal: RefusalProps;
}

/** The made-up shop goes, the set-up stays. Nothing else here cannot be taken back, so it is asked. */
export function ClearDemo({ beginnings, onClear, isBusy, refusal }: Props) {
  const [isAsked, setIsAsked] = useState(false);
  const { orders, demo } = beginnings;
  const { ownOrders } = demo;
  if (demo.state !== 'filled' && demo.state !== 'broken-off')
    return (
      <Panel title={t('Demo')} pad={16}>
        <p>
          {demo.state === 'cleared'
            ? t('The demo is cleared. What was set up with it is yours now.')
            : t('There is no demo in this shop.')}
        </p>
      </Panel>
    );
  const counted = orders === 1 ? t('1 order') : t('{orders} orders', { orders });
  return (
    <Panel title={t('Demo')} pad={16}>
      <Stack gap={12}>
        <p>
          {t('This shop holds the demo: made-up customers and {orders}.', { orders: counted })}{' '}
          {t(
            'Clearing it takes orders, art, runs, quotes and the ledger away. Blanks, materials, machines, lots, house methods and prices stay as they are now; change what is not yours, or take it out of use.',
          )}
        </p>
        {ownOrders > 0 && (
          <p role="status">
            {ownOrders === 1
              ? t('◆ One order was taken in since: clearing takes it too.')
              : t('◆ {ownOrders} orders were taken in since: clearing takes them too.', { ownOrders })}
          </p>
        )}
        <div>
          <Button onClick={() => setIsAsked(true)}>{t('Clear the demo, keep my set-up …')}</Button>
        </div>
      </Stack>
      {isAsked && (
        <Dialog
          title={t('Clear the demo, keep the set-up')}
          onClose={() => setIsAsked(false)}
          actions={
            <>
              <Button onClick={() => setIsAsked(false)}>{t('Leave it')}</Button>
              <Button look="primary" isBusy={isBusy} onClick={() => onClear(() => setIsAsked(false))}>
                {t('Clear {orders}', { orders: counted })}
              </Button>
            </>
          }
        >
          <p>
            {ownOrders > 0
              ? t(
                  '{orders} with art, runs, quotes and ledger are gone for good, {ownOrders} of them your own.',
                  { orders: counted, ownOrders },
                )
              : t('{orders} with art, runs, quotes and ledger are gone for good.', { orders: counted })}{' '}
            {rich('A backup brings them back: {link}.', {
              link: <Link to="/shop/backups">{t('look whether there is one')}</Link>,
            })}
          </p>
          <Refusal {...refusal} />
        </Dialog>
      )}
    </Panel>
  );
}
