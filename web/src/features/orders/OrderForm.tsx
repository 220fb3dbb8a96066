import { t } from '../../words/index.ts';
import type { Catalogue, Order, OrderInput } from '@saltflat/contract';
import { Suspense, lazy, useDeferredValue, useState } from 'react';
import { Controller, useFieldArray, useWatch } from 'react-hook-form';
import { serverNow } from '../../api/serverClock.ts';
import { Overtaken, compiled, useDraftForm } from '../../form/index.ts';
import type { Filled } from '../../form/index.ts';
import { fromLocalField, toLocalField } from './dates.ts';
import { ArtIntake } from './ArtIntake.tsx';
import type { Dropped } from './ArtIntake.tsx';
import { LineFields } from './LineFields.tsx';
import type { OrderTablePlan } from './orderFromTable.ts';
import { PromisePanel } from './promise/PromisePanel.tsx';
import { TicketFields } from './TicketFields.tsx';
import { emptyLine, emptyOrder, isUntouched, orderOf, valuesOf } from './orderFormValues.ts';
import type { OrderValues } from './orderFormValues.ts';
import {
  useAddOrderMutation,
  useChangeOrderMutation,
  useCustomersQuery,
  useIsArtComing,
} from './ordersApi.ts';
import { Button, Form, Grow, Refusal, Row, useToast } from '../../ui/index.ts';

/** Few orders come as a table. */
const OrderTableDialog = lazy(() => import('./OrderTableDialog.tsx'));

interface Props {
  catalogue: Catalogue;
  /** The order being changed; `null` for a new one. */
  order: Order | null;
  /** Adds a blank of that name to the shop’s list, and says which once it is there. */
  onNewBlank: (name: string, take: (styleId: string) => void) => void;
  onSaved: (order: Order) => void;
  onLeave: () => void;
}

const DRAFT_KEY = 'saltflat.order-draft-6'; // counted up when the form's values change their shape

const FILLED: Filled<OrderValues, OrderInput> = { check: compiled('order', 'order'), documentOf: orderOf };

/** A new order on one page, or an old one being changed. What is typed survives a reload and a refusal. */
export function OrderForm({ catalogue, order, onNewBlank, onSaved, onLeave }: Props) {
  const [first] = useState(() => emptyOrder(catalogue.styles, serverNow()));
  const [add] = useAddOrderMutation();
  const [change] = useChangeOrderMutation();
  const filling = useDraftForm<OrderValues, OrderInput, Order>({
    draftKey: `${DRAFT_KEY}.${order?.id ?? 'new'}`,
    current: { version: order?.version ?? 0, values: order ? valuesOf(order) : first },
    filled: FILLED,
    send: (input, version) => (order ? change({ id: order.id, version, ...input }) : add(input)),
    onSent: onSaved,
  });
  const { problems } = filling;
  const { control, reset, getValues, setValue } = filling.form;
  const { fields, append, remove } = useFieldArray({ control, name: 'lines' });
  const isArtComing = useIsArtComing();
  const [dropped, setDropped] = useState<Dropped | null>(null);
  const [isTableAsked, setIsTableAsked] = useState(false);
  const tell = useToast();

  const [customer, due] = useWatch({ control, name: ['customer', 'dueAt'] });
  const { data: customers = [] } = useCustomersQuery(useDeferredValue(customer));
  const dueAt = fromLocalField(due);
  const dueMs = dueAt === null ? null : Date.parse(dueAt);

  const lines = useWatch({ control, name: 'lines' });
  const promise = (atMs: number): void => {
    const before = getValues('dueAt');
    setValue('dueAt', toLocalField(new Date(atMs).toISOString()), { shouldDirty: true });
    tell({ words: t('The due date is what can be promised.'), undo: () => setValue('dueAt', before) });
  };

  const leave = (): void => {
    filling.startAgain();
    onLeave();
  };
  const fillFrom = (plan: OrderTablePlan): void => {
    const before = getValues();
    const lines = plan.lines.map(({ line }) => line);
    reset({
      customer: plan.customer || before.customer,
      dueAt: plan.due || before.dueAt,
      note: plan.note || before.note,
      lines: isUntouched(before.lines) ? lines : [...before.lines, ...lines],
    });
    setIsTableAsked(false);
    tell({ words: t('The order is filled from the table.'), undo: () => reset(before) });
  };

  return (
    <Form onSubmit={filling.submit}>
      <TicketFields filling={filling} customers={customers.map(({ name }) => name)} isNew={order === null} />
      {fields.map((field, i) => (
        <Controller
          key={field.id}
          control={control}
          name={`lines.${i}`}
          render={({ field: { value, onChange } }) => (
            <LineFields
              index={i}
              line={value}
              styles={catalogue.styles}
              house={catalogue.house.document}
              dueMs={dueMs}
              problems={problems}
              onNewBlank={onNewBlank}
              onChange={(change) => onChange(change(getValues(`lines.${i}`)))}
              onRemove={fields.length > 1 ? () => remove(i) : null}
              onSeveral={(print, files) => setDropped({ line: i, print, files })}
            />
          )}
        />
      ))}
      <PromisePanel machines={catalogue.machines} lines={lines} dueAt={dueAt} onPromise={promise} />
      <Row>
        <Button onClick={() => append(emptyLine(catalogue.styles))}>{t('Add a line')}</Button>
        <Button onClick={() => setIsTableAsked(true)}>{t('From a table …')}</Button>
        <Grow />
        <Button onClick={leave}>{t('Leave without saving')}</Button>
        {isArtComing && (
          <span className="muted small" role="status">
            {t('The artwork is still on its way.')}
          </span>
        )}
        <Button look="primary" type="submit" isBusy={filling.isSending} disabled={isArtComing}>
          {order ? t('Save the order') : t('Take in the order')}
        </Button>
      </Row>
      {order && filling.isOvertaken && (
        <Overtaken what={order.code} onKeepMine={filling.keepMine} onStartAgain={filling.startAgain} />
      )}
      <Refusal words={filling.refusal} />
      <ArtIntake
        styles={catalogue.styles}
        getLines={() => getValues('lines')}
        setLines={(lines) => setValue('lines', lines)}
        dropped={dropped}
        onDropped={setDropped}
      />
      {isTableAsked && (
        <Suspense fallback={null}>
          <OrderTableDialog
            styles={catalogue.styles}
            onFill={fillFrom}
            onClose={() => setIsTableAsked(false)}
          />
        </Suspense>
      )}
    </Form>
  );
}
