import type { ShopChanged } from '@saltflat/contract';
import { MATERIAL_KINDS } from '@saltflat/contract/shopFields';
import { pressedThicknessMm } from '@saltflat/core/blank';
import type { Construction, Fibres } from '@saltflat/core/blank';
import { MACHINE_KINDS } from '@saltflat/core/route';
import { formatQuantity } from '@saltflat/core/units';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { fieldProblems, problemMessage, problemOf } from '../../api/problemMessage.ts';
import { RecordForm } from './RecordForm.tsx';
import { fieldsOfRecord, missingIn, newRecord, withoutEmptySpans } from './recordState.ts';
import type { ShopRow } from './recordState.ts';
import { useSaveRecordMutation } from './shopApi.ts';
import type { RecordList } from './shopApi.ts';

interface Props {
  list: RecordList;
  /** `null` for a new one. */
  row: ShopRow | null;
  onSaved: (changed: ShopChanged, name: string) => void;
  onRetire: (() => void) | null;
  onPutFirst: (() => void) | null;
  onLeave: () => void;
}

const ONE: Record<RecordList, string> = { blanks: 'blank', materials: 'material', machines: 'machine' };

/** One record being filled in or changed. What is typed survives a refusal and a reload. */
export function RecordEditor({ list, row, onSaved, onRetire, onPutFirst, onLeave }: Props) {
  const draftKey = `saltflat.shop.${list}.${row?.id ?? 'new'}`;
  const [record, setRecord] = useState<object>(
    () => keptDraft(draftKey) ?? row?.record ?? newRecord(list, list === 'materials' ? 'film' : 'printer'),
  );
  const [version, setVersion] = useState(row?.version ?? 1); // the one that is being changed, whatever came after
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [refusal, setRefusal] = useState('');
  const [save, { isLoading }] = useSaveRecordMutation();
  const fields = fieldsOfRecord(list, record);
  const change = (next: object): void => {
    setRecord(next);
    sessionStorage.setItem(draftKey, JSON.stringify(next));
  };
  const leave = (): void => {
    sessionStorage.removeItem(draftKey);
    onLeave();
  };
  const submit = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    const missing = missingIn(fields, record);
    setProblems(missing);
    setRefusal(Object.keys(missing).length > 0 ? 'Some fields still need something: they are marked.' : '');
    if (Object.keys(missing).length > 0) return;
    const answer = await save({ list, id: row?.id ?? null, version, record: withoutEmptySpans(record) });
    if (answer.error) {
      setRefusal(problemMessage(answer.error));
      setProblems(
        Object.fromEntries(
          fieldProblems(answer.error).map(({ path, message }) => [path.replace(/^\/record/, ''), message]),
        ),
      );
      const current = problemOf(answer.error)?.current as { version?: number } | undefined;
      if (current?.version !== undefined) setVersion(current.version); // saving again then means: mine, knowing theirs
      return;
    }
    sessionStorage.removeItem(draftKey);
    setVersion(answer.data.version ?? version);
    onSaved(answer.data, String((record as { name?: unknown }).name));
  };
  return (
    <form
      className="panel record-editor"
      aria-label={row ? `Change ${row.name}` : `New ${ONE[list]}`}
      onSubmit={(event) => void submit(event)}
      noValidate
    >
      <header>
        <h2>{row ? row.name : `New ${ONE[list]}`}</h2>
        <span style={{ flex: 1 }} />
        {onPutFirst && (
          <Button size="small" variant="outlined" onClick={onPutFirst}>
            Use this one first
          </Button>
        )}
        {onRetire && (
          <Button size="small" variant="outlined" onClick={onRetire}>
            Take out of use
          </Button>
        )}
      </header>
      <div className="stack" style={{ padding: 16 }}>
        {list !== 'blanks' && row === null && (
          <TextField
            select
            label={`What kind of ${ONE[list]}`}
            size="small"
            value={(record as { kind: string }).kind}
            onChange={(event) => change(newRecord(list, event.target.value))}
            slotProps={{ select: { native: true } }}
          >
            {(list === 'materials' ? MATERIAL_KINDS : MACHINE_KINDS).map((kind) => (
              <option key={kind} value={kind}>
                {kind.replaceAll('-', ' ')}
              </option>
            ))}
          </TextField>
        )}
        <RecordForm
          fields={list === 'blanks' ? fields : fields.filter(({ path }) => path[0] !== 'kind')}
          record={record}
          problems={problems}
          onChange={change}
        />
        {list === 'blanks' && <BlankWords record={record} />}
        {refusal !== '' && (
          <p className="alarm" role="alert">
            {refusal}
          </p>
        )}
        <div className="row" style={{ justifyContent: 'flex-end' }}>
          <Button variant="outlined" onClick={leave}>
            Leave without saving
          </Button>
          <Button type="submit" variant="contained" disabled={isLoading}>
            {row ? 'Save the changes' : `Add the ${ONE[list]}`}
          </Button>
        </div>
      </div>
    </form>
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
  const whole = share('cotton') + share('polyester') + share('elastane') + share('nylon') + share('other');
  const all: Fibres = {
    cotton: share('cotton'),
    polyester: share('polyester'),
    elastane: share('elastane'),
    nylon: share('nylon'),
    other: share('other'),
  };
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

function keptDraft(key: string): object | null {
  const text = sessionStorage.getItem(key);
  return text === null ? null : (JSON.parse(text) as object); // written by this form alone
}
