import { t } from '../words/index.ts';
import type { Order, OrderLine } from '@saltflat/contract';
import { useNavigate } from 'react-router';
import { useOverruleArtMutation, usePrepareMutation, useTakeBackOverruleMutation } from '../api/linesApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { serverNow } from '../api/serverClock.ts';
import { useAttempt } from '../api/useAttempt.ts';
import { useStartRunMutation } from '../features/floor/index.ts';
import {
  OrderDetail,
  useCancelOrderMutation,
  useDuplicateOrderMutation,
  useOrderQuery,
  useRestoreOrderMutation,
} from '../features/orders/index.ts';
import type { LineActions } from '../features/orders/index.ts';
import { useSignature } from '../person/personSlice.ts';
import { Failed, Loading, useToast } from '../ui/index.ts';

/** The order that is chosen: what can be done with it and its lines. */
export function ChosenOrder({ orderId }: { orderId: string }) {
  const { data: order, error, refetch } = useOrderQuery(orderId);
  const navigate = useNavigate();
  const tell = useToast();
  const attempt = useAttempt();
  const by = useSignature();
  const [cancel] = useCancelOrderMutation();
  const [restore] = useRestoreOrderMutation();
  const [duplicate] = useDuplicateOrderMutation();
  const [start] = useStartRunMutation();
  const [prepare] = usePrepareMutation();
  const [overrule] = useOverruleArtMutation();
  const [takeBack] = useTakeBackOverruleMutation();
  if (error)
    return (
      <Failed title={t('This order cannot be shown')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!order) return <Loading what={t('the order')} />;

  const onRestore = ({ id, version, code }: Order): void =>
    void attempt.make(
      'restore',
      () => restore({ id, version }),
      () => tell({ words: t('{code} is open again.', { code }) }),
    );
  const onCancel = (): void =>
    void attempt.make(
      'cancel',
      () => cancel({ id: order.id, version: order.version }),
      (was) => tell({ words: t('{code} is cancelled.', { code: order.code }), undo: () => onRestore(was) }),
    );
  const onDuplicate = (): void =>
    void attempt.make(
      'duplicate',
      () => duplicate(order.id),
      (copy) => {
        tell({ words: t('{code} is a copy of {code2}.', { code: copy.code, code2: order.code }) });
        void navigate(`/orders/${copy.id}/edit`);
      },
    );
  const actionsOf = (line: OrderLine): LineActions => ({
    onStart: () =>
      void attempt.make(
        line.id,
        () => start({ lineIds: [line.id], by }),
        (run) => void navigate(`/floor/${run.id}`),
      ),
    onPrepare: ({ id: print, preparation }, how) =>
      void attempt.make(
        `prepare ${line.id} ${print}`,
        () =>
          prepare({
            ...{ lineId: line.id, print, by, basedOn: line.routeNumber, white: preparation?.white ?? {} },
            ...how,
          }),
        ({ number }) =>
          tell({ words: t('{code} is now on route version {number}.', { code: line.code, number }) }),
      ),
    onOverrule: (signed, then) =>
      void attempt.make(
        `overrule ${line.id}`,
        () => overrule({ lineId: line.id, basedOn: line.routeNumber ?? 0, ...signed }),
        () => {
          then();
          tell({
            words: t('{code} is printed as it is.', { code: line.code }),
            undo: () => onTakeBack(line),
          });
        },
      ),
    onTakeBack: () => onTakeBack(line),
  });
  const onTakeBack = ({ id, code }: OrderLine): void =>
    void attempt.make(
      `take-back ${id}`,
      () => takeBack(id),
      () => tell({ words: t('The art of {code} is to be mended first.', { code }) }),
    );
  return (
    <OrderDetail
      order={order}
      by={by}
      nowMs={serverNow()}
      attempt={attempt}
      onEdit={() => void navigate(`/orders/${order.id}/edit`)}
      onDuplicate={onDuplicate}
      onCancel={onCancel}
      onRestore={() => onRestore(order)}
      actionsOf={actionsOf}
    />
  );
}
