import { t } from '../../words/index.ts';
import type { OrderInput } from '@saltflat/contract';
import { Controller } from 'react-hook-form';
import { FilledText } from '../../form/index.ts';
import type { DraftForm } from '../../form/index.ts';
import type { OrderValues } from './orderFormValues.ts';
import { DateTimeField, Panel, Split, SuggestField } from '../../ui/index.ts';

interface Props {
  filling: DraftForm<OrderValues, OrderInput>;
  /** Names that begin like what is typed. */
  customers: readonly string[];
  isNew: boolean;
}

/** Who an order is for, and when. */
export const TicketFields = ({ filling, customers, isNew }: Props) => (
  <Panel label={t('Ticket')} pad="16px 16px 4px">
    <Split columns="1.2fr 232px 2fr" gap={12}>
      <Controller
        control={filling.form.control}
        name="customer"
        render={({ field: { value, onChange } }) => (
          <SuggestField
            label={t('Customer')}
            autoFocus={isNew}
            recent="customers"
            value={value}
            suggestions={customers}
            problem={filling.problems['/customer']}
            keepsRoom
            onChange={onChange}
          />
        )}
      />
      <Controller
        control={filling.form.control}
        name="dueAt"
        render={({ field: { value, onChange } }) => (
          <DateTimeField
            label={t('Due')}
            value={value}
            problem={filling.problems['/dueAt']}
            keepsRoom
            onChange={onChange}
          />
        )}
      />
      <FilledText filling={filling} name="note" label={t('Note')} keepsRoom />
    </Split>
  </Panel>
);
