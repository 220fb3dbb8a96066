import { rich, t } from '../../words/index.ts';
import type { Learnt, ShopChanged } from '@saltflat/contract';
import { MATERIAL_KINDS } from '@saltflat/contract/shopFields';
import type { RecordField } from '@saltflat/contract/shopFields';
import { FIBRES, fibresOf, pressedThicknessMm } from '@saltflat/core/blank';
import type { Construction, Fibres } from '@saltflat/core/blank';
import { MACHINE_KINDS } from '@saltflat/core/work';
import { formatQuantity } from '@saltflat/core/units';
import { useMemo, useState } from 'react';
import { useWatch } from 'react-hook-form';
import type { FieldValues } from 'react-hook-form';
import { Overtaken, useDraftForm } from '../../form/index.ts';
import { useUnits } from '../../units/writingSlice.ts';
import { RecordForm } from './RecordForm.tsx';
import { fieldsOfRecord, filledRecord, newRecord, ofRecord } from './recordState.ts';
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

/** What a new one is until something else is chosen. */
const FIRST_KIND: Record<RecordList, string> = { blanks: 'tee', materials: 'film', machines: 'printer' };

/** One record being filled in or changed. What is typed survives a refusal and a reload. */
export function RecordEditor({ list, row, begin = {}, onSaved, onRetire, onPutFirst, onLeave }: Props) {
  const [save] = useSaveRecordMutation();
  const [first] = useState(() => row?.record ?? { ...newRecord(list, FIRST_KIND[list]), ...begin });
  const current = { version: row?.version ?? 0, values: row?.record ?? first };
  const filling = useDraftForm<FieldValues, FieldValues, ShopChanged>({
    draftKey: `saltflat.shop.${list}.${row?.id ?? 'new'}`,
    current,
    filled: useMemo(() => filledRecord(list), [list]),
    send: (record, version) => save({ list, id: row?.id ?? null, version, record }),
    onSent: (changed) => onSaved(changed, String(filling.form.getValues('name'))),
    ownPath: ofRecord,
  });
  const { control, reset } = filling.form;
  const record = useWatch({ control });
  const fields = fieldsOfRecord(list, record);
  const leave = (): void => {
    filling.startAgain();
    onLeave();
  };
  return (
    <Panel
      title={row ? row.name : t('New {list}', { list: ONE[list] })}
      actions={
        <>
          {onPutFirst && (
            <Button size="small" onClick={onPutFirst}>
              {t('Use this one first')}
            </Button>
          )}
          {onRetire && (
            <Button size="small" onClick={onRetire}>
              {t('Take out of use')}
            </Button>
          )}
        </>
      }
    >
      <Form
        pad={16}
        label={row ? t('Change {name}', { name: row.name }) : t('New {list}', { list: ONE[list] })}
        onSubmit={filling.submit}
      >
        {list !== 'blanks' && row === null && (
          <SelectField
            label={t('What kind of {list}', { list: ONE[list] })}
            value={String(record.kind)}
            options={(list === 'materials' ? MATERIAL_KINDS : MACHINE_KINDS).map((kind) => ({
              value: kind,
              label: kind.replaceAll('-', ' '),
            }))}
            onChange={(kind) => reset(newRecord(list, kind))}
          />
        )}
        <RecordForm
          fields={list === 'blanks' ? fields : fields.filter(({ path }) => path[0] !== 'kind')}
          control={control}
          problems={filling.problems}
        />
        {list === 'blanks' && <BlankWords record={record} />}
        {row?.learnt && <LearntWords learnt={row.learnt} fields={fields} />}
        {row && filling.isOvertaken && (
          <Overtaken what={`“${row.name}”`} onKeepMine={filling.keepMine} onStartAgain={filling.startAgain} />
        )}
        <Refusal words={filling.refusal} />
        <Row justify="flex-end">
          <Button onClick={leave}>{t('Leave without saving')}</Button>
          <Button look="primary" type="submit" isBusy={filling.isSending}>
            {row ? t('Save the changes') : t('Add the {list}', { list: ONE[list] })}
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
  const percent = Math.round(1000 * whole) / 10;
  const system = useUnits();
  return (
    <p className="muted small" role="status">
      {Math.abs(whole - 1) > 0.001
        ? t('Fibres together {percent} %, they must make 100 %.', { percent })
        : t('Fibres together {percent} %.', { percent })}
      {massGM2 !== null &&
        thicknessMm === null &&
        ` ${t('Thickness under the press, from mass and construction: {thickness}.', {
          thickness: formatQuantity(
            pressedThicknessMm({ fibres: all, massGM2, construction, thicknessMm }),
            'length',
            system,
          ),
        })}`}
    </p>
  );
}

/** What this shop weighed stands beside what is assumed: the form changes the assumption alone. */
function LearntWords({ learnt, fields }: { learnt: Learnt; fields: readonly RecordField[] }) {
  const titleOf = (key: string): string =>
    fields.find(({ path }) => path[path.length - 1] === key)?.title ?? key;
  return (
    <p className="small" role="note">
      {rich(
        '● Learnt from weighings here ({weighings}): {figures}. Routes are planned with that; what is written above is the assumption it was learnt from.',
        {
          weighings: learnt.weighings,
          figures: Object.entries(learnt.values)
            .map(([key, { value, sd }]) => `${titleOf(key)} ${value} ± ${sd}`)
            .join('; '),
        },
      )}
    </p>
  );
}
