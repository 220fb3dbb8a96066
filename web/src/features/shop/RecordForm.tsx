import { valueAt, withValueAt } from '@saltflat/contract/shopFields';
import type { RecordField } from '@saltflat/contract/shopFields';
import Button from '@mui/material/Button';
import { choiceWords } from './choiceWords.ts';
import { Field } from './Field.tsx';

interface Props {
  fields: readonly RecordField[];
  record: object;
  /** Sentences by JSON Pointer into the record. */
  problems: Record<string, string>;
  onChange: (record: object) => void;
}

/** A record to fill in, drawn from its schema: each field by its kind, the smaller ones side by side. */
export function RecordForm({ fields, record, problems, onChange }: Props) {
  const small = fields.filter(({ type }) => type !== 'rows' && type !== 'set');
  const large = fields.filter(({ type }) => type === 'rows' || type === 'set');
  const set = (field: RecordField, value: unknown): void => onChange(withValueAt(record, field.path, value));
  return (
    <div className="stack">
      <div className="record-grid">
        {small.map((field) => (
          <Field
            key={pointer(field.path)}
            field={field}
            value={valueAt(record, field.path)}
            problem={problems[pointer(field.path)] ?? problems[pointer(field.path.slice(0, -1))]}
            onChange={(value) => set(field, value)}
          />
        ))}
      </div>
      {large.map((field) =>
        field.type === 'set' ? (
          <ChoiceSet
            key={pointer(field.path)}
            field={field}
            value={valueAt(record, field.path)}
            problem={problems[pointer(field.path)]}
            onChange={(value) => set(field, value)}
          />
        ) : (
          <Rows
            key={pointer(field.path)}
            field={field}
            value={valueAt(record, field.path)}
            problems={problems}
            onChange={(value) => set(field, value)}
          />
        ),
      )}
    </div>
  );
}

const pointer = (path: readonly string[]): string => `/${path.join('/')}`;

function ChoiceSet({
  field,
  value,
  problem,
  onChange,
}: {
  field: RecordField;
  value: unknown;
  problem: string | undefined;
  onChange: (value: string[]) => void;
}) {
  const chosen = Array.isArray(value) ? value.map(String) : [];
  return (
    <fieldset className="record-set">
      <legend className="muted small">{field.title}</legend>
      <div className="row" style={{ gap: 8 }}>
        {field.choices.map((choice) => (
          <label key={choice} className="check">
            <input
              type="checkbox"
              checked={chosen.includes(choice)}
              onChange={(event) =>
                onChange(event.target.checked ? [...chosen, choice] : chosen.filter((own) => own !== choice))
              }
            />
            {choiceWords(field, choice)}
          </label>
        ))}
      </div>
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </fieldset>
  );
}

function Rows({
  field,
  value,
  problems,
  onChange,
}: {
  field: RecordField;
  value: unknown;
  problems: Record<string, string>;
  onChange: (value: object[]) => void;
}) {
  const rows = Array.isArray(value) ? (value as object[]) : [];
  const path = pointer(field.path);
  const one = (field.columns[0]?.title ?? 'row').toLowerCase();
  return (
    <fieldset className="record-set">
      <legend className="muted small">{field.title}</legend>
      <div className="stack" style={{ gap: 8 }}>
        {rows.map((row, i) => (
          <div key={i} className="record-row" role="group" aria-label={`${field.title}, ${i + 1}`}>
            {field.columns.map((column) => (
              <Field
                key={pointer(column.path)}
                field={column}
                value={valueAt(row, column.path)}
                problem={problems[`${path}/${i}${pointer(column.path)}`]}
                isNarrow
                onChange={(own) =>
                  onChange(rows.map((other, k) => (k === i ? withValueAt(row, column.path, own) : other)))
                }
              />
            ))}
            <Button
              size="small"
              variant="text"
              aria-label={`Remove ${one} ${i + 1}`}
              onClick={() => onChange(rows.filter((_row, k) => k !== i))}
            >
              Remove
            </Button>
          </div>
        ))}
        <div>
          <Button size="small" variant="outlined" onClick={() => onChange([...rows, emptyOf(field.columns)])}>
            Add a row to {(field.title.split(',')[0] ?? '').toLowerCase()}
          </Button>
        </div>
      </div>
      {problems[path] && (
        <p className="field-problem" role="alert">
          {problems[path]}
        </p>
      )}
    </fieldset>
  );
}

/** A record with nothing in it yet: what is usual stands as it is, choices and flags at their first, all else is to be filled in. */
export function emptyOf(fields: readonly RecordField[]): object {
  return fields.reduce<object>((record, field) => withValueAt(record, field.path, emptyValue(field)), {});
}

function emptyValue({ type, choices, usual, isOptional }: RecordField): unknown {
  if (usual !== undefined) return structuredClone(usual);
  switch (type) {
    case 'choice':
      return isOptional ? null : choices[0];
    case 'flag':
      return false;
    case 'set':
    case 'rows':
      return [];
    case 'text':
      return isOptional ? null : '';
    default:
      return null;
  }
}
