import type { RecordField } from '@saltflat/contract/shopFields';
import { useState } from 'react';
import { fieldProblems, problemMessage } from '../../api/problemMessage.ts';
import { Overtaken, useVersionedDraft } from '../../draft/index.ts';
import { RecordForm } from './RecordForm.tsx';
import { missingIn } from './recordState.ts';
import { Button, Form, Panel, Refusal, Row } from '../../ui/index.ts';

interface Props<T extends object> {
  /** What is set, as “The prices”. */
  what: string;
  /** Where what is typed is kept until it is saved. */
  draftKey: string;
  fields: readonly RecordField[];
  values: T;
  version: number;
  isSaving: boolean;
  /** Sends it; gives back what was refused, if anything. */
  save: (change: { version: number; record: T }) => Promise<{ error?: unknown }>;
  saveLabel: string;
  children?: React.ReactNode;
}

/** A document of the shop that there is one of: its fields, kept while they are typed, and what was refused. */
export function SettingForm<T extends object>(props: Props<T>) {
  const { what, fields, values, version } = props;
  const draft = useVersionedDraft<object>(props.draftKey, { version, values });
  const record = draft.values;
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [refusal, setRefusal] = useState('');
  const submit = async (): Promise<void> => {
    const missing = missingIn(fields, record);
    setProblems(missing);
    setRefusal(Object.keys(missing).length > 0 ? 'Some fields still need something: they are marked.' : '');
    if (Object.keys(missing).length > 0) return;
    const { error } = await props.save({ version: draft.version, record: record as T });
    setRefusal(error ? problemMessage(error) : '');
    setProblems(
      Object.fromEntries(
        fieldProblems(error).map(({ path, message }) => [path.replace(/^\/record/, ''), message]),
      ),
    );
    if (!error) draft.startAgain();
  };
  return (
    <Panel as="div">
      <Form label={what} pad={16} onSubmit={() => void submit()}>
        {props.children}
        <RecordForm fields={fields} record={record} problems={problems} onChange={draft.change} />
        {draft.isOvertaken && (
          <Overtaken
            what={`The ${what.toLowerCase()}`}
            onKeepMine={draft.keepMine}
            onStartAgain={draft.startAgain}
          />
        )}
        <Refusal words={refusal} />
        <Row justify="flex-end">
          <Button look="primary" type="submit" isBusy={props.isSaving}>
            {props.saveLabel}
          </Button>
        </Row>
      </Form>
    </Panel>
  );
}
