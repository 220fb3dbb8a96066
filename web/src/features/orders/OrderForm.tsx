import type { Order } from '@saltflat/contract';
import type { Catalogue } from '@saltflat/contract';
import { Suspense, lazy, useDeferredValue, useEffect, useState } from 'react';
import { Controller, useFieldArray, useForm } from 'react-hook-form';
import { fieldProblems, problemMessage } from '../../api/problemMessage.ts';
import { serverNow } from '../../api/serverClock.ts';
import { Overtaken, keepDraft, readDraft } from '../../draft/index.ts';
import { fromLocalField } from './dates.ts';
import { ArtIntake } from './ArtIntake.tsx';
import type { Dropped } from './ArtIntake.tsx';
import { LineFields } from './LineFields.tsx';
import type { OrderTablePlan } from './orderFromTable.ts';
import { TicketFields } from './TicketFields.tsx';
import { emptyLine, emptyOrder, isUntouched, toInput, valuesOf } from './orderFormValues.ts';
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

const DRAFT_KEY = 'saltflat.order-draft-5'; // counted up when the form's values change their shape

/** A new order on one page, or an old one being changed. What is typed survives a reload and a refusal. */
export function OrderForm({ catalogue, order, onNewBlank, onSaved, onLeave }: Props) {
  const draftKey = `${DRAFT_KEY}.${order?.id ?? 'new'}`;
  const [kept] = useState(() => readDraft<OrderValues>(sessionStorage, draftKey));
  const { control, handleSubmit, watch, reset, getValues, setValue } = useForm<OrderValues>({
    defaultValues: kept?.values ?? (order ? valuesOf(order) : emptyOrder(catalogue.styles, serverNow())),
  });
  const { fields, append, remove } = useFieldArray({ control, name: 'lines' });
  const [version, setVersion] = useState(kept?.version ?? order?.version ?? 0); // the one that is being changed, whatever came after
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [refusal, setRefusal] = useState('');
  const [add, adding] = useAddOrderMutation();
  const [change, changing] = useChangeOrderMutation();
  const isArtComing = useIsArtComing();
  const [dropped, setDropped] = useState<Dropped | null>(null);
  const [isTableAsked, setIsTableAsked] = useState(false);
  const tell = useToast();

  useEffect(() => {
    const subscription = watch((values) => keepDraft(sessionStorage, draftKey, { version, values }));
    return () => subscription.unsubscribe();
  }, [watch, draftKey, version]);

  const { data: customers = [] } = useCustomersQuery(useDeferredValue(watch('customer')));
  const dueAt = fromLocalField(watch('due'));
  const dueMs = dueAt === null ? null : Date.parse(dueAt);

  const save = async (values: OrderValues): Promise<void> => {
    const outcome = toInput(values);
    setProblems('problems' in outcome ? outcome.problems : {});
    setRefusal('problems' in outcome ? 'Some fields still need something: they are marked.' : '');
    if ('problems' in outcome) return;
    const answer = order
      ? await change({ id: order.id, version, ...outcome.input })
      : await add(outcome.input);
    if (answer.error) {
      setRefusal(problemMessage(answer.error));
      setProblems(
        Object.fromEntries(fieldProblems(answer.error).map(({ path, message }) => [path, message])),
      );
      return;
    }
    sessionStorage.removeItem(draftKey);
    onSaved(answer.data);
  };
  const leave = (): void => {
    sessionStorage.removeItem(draftKey);
    reset();
    onLeave();
  };
  const fillFrom = (plan: OrderTablePlan): void => {
    const before = getValues();
    const lines = plan.lines.map(({ line }) => line);
    reset({
      customer: plan.customer || before.customer,
      due: plan.due || before.due,
      note: plan.note || before.note,
      lines: isUntouched(before.lines) ? lines : [...before.lines, ...lines],
    });
    setIsTableAsked(false);
    tell({ words: 'The order is filled from the table.', undo: () => reset(before) });
  };
  const isOvertaken = order !== null && order.version !== version;
  const keepMine = (): void => {
    setVersion(order?.version ?? 0);
    setRefusal('');
    keepDraft(sessionStorage, draftKey, { version: order?.version ?? 0, values: getValues() });
  };
  const startAgain = (): void => {
    if (!order) return;
    reset(valuesOf(order));
    setVersion(order.version);
    setRefusal('');
    sessionStorage.removeItem(draftKey);
  };

  return (
    <Form onSubmit={() => void handleSubmit(save)()}>
      <TicketFields
        control={control}
        customers={customers.map(({ name }) => name)}
        problems={problems}
        isNew={order === null}
      />
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
      <Row>
        <Button onClick={() => append(emptyLine(catalogue.styles))}>Add a line</Button>
        <Button onClick={() => setIsTableAsked(true)}>From a table …</Button>
        <Grow />
        <Button onClick={leave}>Leave without saving</Button>
        {isArtComing && (
          <span className="muted small" role="status">
            The artwork is still on its way.
          </span>
        )}
        <Button
          look="primary"
          type="submit"
          isBusy={adding.isLoading || changing.isLoading}
          disabled={isArtComing}
        >
          {order ? 'Save the order' : 'Take in the order'}
        </Button>
      </Row>
      {isOvertaken && <Overtaken what={order.code} onKeepMine={keepMine} onStartAgain={startAgain} />}
      <Refusal words={refusal} />
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
