import { t } from '../../words/index.ts';
import type { OrderInput } from '@saltflat/contract';
import { Controller } from 'react-hook-form';
import type { Control } from 'react-hook-form';
import type { OrderValues } from './orderFormValues.ts';
import { DateTimeField, Panel, Split, SuggestField, TextField } from '../../ui/index.ts';

interface Props {
  control: Control<OrderValues, unknown, OrderInput>;
  /** Names that begin like what is typed. */
  customers: readonly string[];
  /** By the server's paths. */
  problems: Record<string, string>;
  isNew: boolean;
}

/** Who an order is for, and when. */
export const TicketFields = ({ control, customers, problems, isNew }: Props) => (
  <Panel label={t('Ticket')} pad="16px 16px 4px">
    <Split columns="1.2fr 232px 2fr" gap={12}>
      <Controller
        control={control}
        name="customer"
        render={({ field: { value, onChange } }) => (
          <SuggestField
            label={t('Customer')}
            autoFocus={isNew}
            recent="customers"
            value={value}
            suggestions={customers}
            problem={problems['/customer']}
            keepsRoom
            onChange={onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="dueAt"
        render={({ field: { value, onChange } }) => (
          <DateTimeField
            label={t('Due')}
            value={value}
            problem={problems['/dueAt']}
            keepsRoom
            onChange={onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="note"
        render={({ field: { value, onChange } }) => (
          <TextField
            label={t('Note')}
            value={value}
            problem={problems['/note']}
            keepsRoom
            onChange={onChange}
          />
        )}
      />
    </Split>
  </Panel>
);
