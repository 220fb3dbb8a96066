import type { Learnt, ShopChanged } from '@saltflat/contract';
import { MATERIAL_KINDS, withoutEmptyObjects } from '@saltflat/contract/shopFields';
import type { RecordField } from '@saltflat/contract/shopFields';
import { FIBRES, fibresOf, pressedThicknessMm } from '@saltflat/core/blank';
import type { Construction, Fibres } from '@saltflat/core/blank';
import { MACHINE_KINDS } from '@saltflat/core/work';
import { formatQuantity } from '@saltflat/core/units';
import { useState } from 'react';
import { fieldProblems, problemMessage } from '../../api/problemMessage.ts';
import { Overtaken, useVersionedDraft } from '../../draft/index.ts';
import { RecordForm } from './RecordForm.tsx';
import { fieldsOfRecord, missingIn, newRecord } from './recordState.ts';
import type { ShopRow } from './recordState.ts';
import { useSaveRecordMutation } from './shopApi.ts';
import type { RecordList } from './shopApi.ts';
import { Button, Form, Panel, Refusal, Row, SelectField } from '../../ui/index.ts';

interface Props {
  list: RecordList;
  /** `null` for a new one. */
  row: ShopRow | null;
  /** What a new one begins with. */
  begin?: object;
  onSaved: (changed: ShopChanged, name: string) => void;
  onRetire: (() => void) | null;
  onPutFirst: (() => void) | null;
  onLeave: () => void;
}

const ONE: Record<RecordList, string> = { blanks: 'blank', materials: 'material', machines: 'machine' };

/** One record being filled in or changed. What is typed survives a refusal and a reload. */
export function RecordEditor({ list, row, begin = {}, onSaved, onRetire, onPutFirst, onLeave }: Props) {
  const draft = useVersionedDraft<object>(`saltflat.shop.${list}.${row?.id ?? 'new'}`, {
    version: row?.version ?? 0,
    values: row?.record ?? { ...newRecord(list, list === 'materials' ? 'film' : 'printer'), ...begin },
  });
  const record = draft.values;
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [refusal, setRefusal] = useState('');
  const [save, { isLoading }] = useSaveRecordMutation();
  const fields = fieldsOfRecord(list, record);
  const leave = (): void => {
    draft.startAgain();
    onLeave();
  };
  const submit = async (): Promise<void> => {
    const missing = missingIn(fields, record);
    setProblems(missing);
    setRefusal(Object.keys(missing).length > 0 ? 'Some fields still need something: they are marked.' : '');
    if (Object.keys(missing).length > 0) return;
    const sent = {
      list,
      id: row?.id ?? null,
      version: draft.version,
      record: withoutEmptyObjects(record, fields),
    };
    const answer = await save(sent);
    if (answer.error) {
      setRefusal(problemMessage(answer.error));
      setProblems(
        Object.fromEntries(
          fieldProblems(answer.error).map(({ path, message }) => [path.replace(/^\/record/, ''), message]),
        ),
      );
      return;
    }
    draft.startAgain();
    onSaved(answer.data, String((record as { name?: unknown }).name));
  };
  return (
    <Panel
      title={row ? row.name : `New ${ONE[list]}`}
      actions={
        <>
          {onPutFirst && (
            <Button size="small" onClick={onPutFirst}>
              Use this one first
            </Button>
          )}
          {onRetire && (
            <Button size="small" onClick={onRetire}>
              Take out of use
            </Button>
          )}
        </>
      }
    >
      <Form pad={16} label={row ? `Change ${row.name}` : `New ${ONE[list]}`} onSubmit={() => void submit()}>
        {list !== 'blanks' && row === null && (
          <SelectField
            label={`What kind of ${ONE[list]}`}
            value={(record as { kind: string }).kind}
            options={(list === 'materials' ? MATERIAL_KINDS : MACHINE_KINDS).map((kind) => ({
              value: kind,
              label: kind.replaceAll('-', ' '),
            }))}
            onChange={(kind) => draft.change(newRecord(list, kind))}
          />
        )}
        <RecordForm
          fields={list === 'blanks' ? fields : fields.filter(({ path }) => path[0] !== 'kind')}
          record={record}
          problems={problems}
          onChange={draft.change}
        />
        {list === 'blanks' && <BlankWords record={record} />}
        {row?.learnt && <LearntWords learnt={row.learnt} fields={fields} />}
        {row && draft.isOvertaken && (
          <Overtaken
            what={`“${row.name}”`}
            onKeepMine={draft.keepMine}
            onStartAgain={() => {
              draft.startAgain();
              setRefusal('');
            }}
          />
        )}
        <Refusal words={refusal} />
        <Row justify="flex-end">
          <Button onClick={leave}>Leave without saving</Button>
          <Button look="primary" type="submit" isBusy={isLoading}>
            {row ? 'Save the changes' : `Add the ${ONE[list]}`}
          </Button>
        </Row>
      </Form>
    </Panel>
  );
}

/** What follows from what is typed of a blank: the whole of the fibres, the thickness under a press. */
function BlankWords({ record }: { record: object }) {
  const { fibres, massGM2, construction, thicknessMm } = record as {
    fibres: Partial<Record<keyof Fibres, number | null>>;
    massGM2: number | null;
    construction: Construction;
    thicknessMm: number | null;
  };
  const share = (key: keyof Fibres): number => fibres[key] ?? 0;
  const all = fibresOf(Object.fromEntries(FIBRES.map((key) => [key, share(key)])));
  const whole = FIBRES.reduce((sum, key) => sum + all[key], 0);
  return (
    <p className="muted small" role="status">
      Fibres together {Math.round(1000 * whole) / 10} %
      {Math.abs(whole - 1) > 0.001 ? ', they must make 100 %' : ''}.
      {massGM2 !== null &&
        thicknessMm === null &&
        ` Thickness under the press, from mass and construction: ${formatQuantity(
          pressedThicknessMm({ fibres: all, massGM2, construction, thicknessMm }),
          'length',
        )}.`}
    </p>
  );
}

/** What this shop weighed stands beside what is assumed: the form changes the assumption alone. */
function LearntWords({ learnt, fields }: { learnt: Learnt; fields: readonly RecordField[] }) {
  const titleOf = (key: string): string =>
    fields.find(({ path }) => path[path.length - 1] === key)?.title ?? key;
  return (
    <p className="small" role="note">
      ● Learnt from {learnt.weighings} {learnt.weighings === 1 ? 'weighing' : 'weighings'} here:{' '}
      {Object.entries(learnt.values)
        .map(([key, { value, sd }]) => `${titleOf(key)} ${value} ± ${sd}`)
        .join('; ')}
      . Routes are planned with that; what is written above is the assumption it was learnt from.
    </p>
  );
}
