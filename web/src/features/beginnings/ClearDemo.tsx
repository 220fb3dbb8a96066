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
      <Panel title="Demo" pad={16}>
        <p>
          {demo.state === 'cleared'
            ? 'The demo is cleared. What was set up with it is yours now.'
            : 'There is no demo in this shop.'}
        </p>
      </Panel>
    );
  return (
    <Panel title="Demo" pad={16}>
      <Stack gap={12}>
        <p>
          This shop holds the demo: made-up customers and {orders} {orders === 1 ? 'order' : 'orders'}.
          Clearing it takes orders, art, runs, quotes and the ledger away. Blanks, materials, machines, lots,
          house methods and prices stay as they are now; change what is not yours, or take it out of use.
        </p>
        {ownOrders > 0 && (
          <p role="status">
            ◆ {ownOrders === 1 ? 'One order was' : `${ownOrders} orders were`} taken in since: clearing takes{' '}
            {ownOrders === 1 ? 'it' : 'them'} too.
          </p>
        )}
        <div>
          <Button onClick={() => setIsAsked(true)}>Clear the demo, keep my set-up …</Button>
        </div>
      </Stack>
      {isAsked && (
        <Dialog
          title="Clear the demo, keep the set-up"
          onClose={() => setIsAsked(false)}
          actions={
            <>
              <Button onClick={() => setIsAsked(false)}>Leave it</Button>
              <Button look="primary" isBusy={isBusy} onClick={() => onClear(() => setIsAsked(false))}>
                Clear {orders} {orders === 1 ? 'order' : 'orders'}
              </Button>
            </>
          }
        >
          <p>
            {orders} {orders === 1 ? 'order' : 'orders'} with art, runs, quotes and ledger are gone for good
            {ownOrders > 0 && `, ${ownOrders} of them your own`}. A backup brings them back:{' '}
            <Link to="/shop/backups">look whether there is one</Link>.
          </p>
          <Refusal {...refusal} />
        </Dialog>
      )}
    </Panel>
  );
}
