import { t } from '../../words/index.ts';
import type { RecordField } from '@saltflat/contract/shopFields';
import { useMemo } from 'react';
import type { FieldValues } from 'react-hook-form';
import { Overtaken, compiled, useDraftForm } from '../../form/index.ts';
import { RecordForm } from './RecordForm.tsx';
import { ofRecord } from './recordState.ts';
import { Button, Form, Panel, Refusal, Row } from '../../ui/index.ts';

interface Props<T extends object> {
  /** What is set, as “The prices”. */
  what: string;
  /** Which document of the shop it is. */
  setting: 'rates' | 'writing' | 'backups';
  fields: readonly RecordField[];
  values: T;
  version: number;
  /** Sends it; gives back what was refused, if anything. */
  save: (change: { version: number; record: T }) => Promise<{ error?: unknown }>;
  saveLabel: string;
  children?: React.ReactNode;
}

/** A document of the shop that there is one of: its fields, kept while they are typed, and what was refused. */
export function SettingForm<T extends object>({
  what,
  setting,
  fields,
  values,
  version,
  ...props
}: Props<T>) {
  const filling = useDraftForm<FieldValues, FieldValues, unknown>({
    draftKey: `saltflat.shop.${setting}`,
    current: { version, values },
    filled: useMemo(() => ({ check: compiled('settings', setting) }), [setting]),
    send: (record, over) => props.save({ version: over, record: record as T }),
    ownPath: ofRecord,
  });
  return (
    <Panel as="div">
      <Form label={what} pad={16} onSubmit={filling.submit}>
        {props.children}
        <RecordForm fields={fields} control={filling.form.control} problems={filling.problems} />
        {filling.isOvertaken && (
          <Overtaken
            what={t('The {what}', { what: what.toLowerCase() })}
            onKeepMine={filling.keepMine}
            onStartAgain={filling.startAgain}
          />
        )}
        <Refusal words={filling.refusal} />
        <Row justify="flex-end">
          <Button look="primary" type="submit" isBusy={filling.isSending}>
            {props.saveLabel}
          </Button>
        </Row>
      </Form>
    </Panel>
  );
}
