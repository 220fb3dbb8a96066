import { valueAt, withValueAt } from '@saltflat/contract/shopFields';
import type { RecordField } from '@saltflat/contract/shopFields';
import { choiceWords } from './choiceWords.ts';
import { emptyOf } from './emptyRecord.ts';
import { Field } from './Field.tsx';
import { Button, CheckSet, Columns, FieldProblem, Group, GroupName, Stack, styled } from '../../ui/index.ts';

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
    <Stack>
      <Columns least={188} gap={8}>
        {small.map((field) => (
          <Field
            key={pointer(field.path)}
            field={field}
            value={valueAt(record, field.path)}
            problem={problems[pointer(field.path)] ?? problems[pointer(field.path.slice(0, -1))]}
            onChange={(value) => set(field, value)}
          />
        ))}
      </Columns>
      {large.map((field) =>
        field.type === 'set' ? (
          <CheckSet
            key={pointer(field.path)}
            label={field.title}
            options={field.choices.map((choice) => ({ value: choice, label: choiceWords(field, choice) }))}
            chosen={chosenIn(valueAt(record, field.path))}
            problem={problems[pointer(field.path)]}
            onChange={(value) => set(field, value)}
          />
        ) : (
          <FieldRows
            key={pointer(field.path)}
            field={field}
            value={valueAt(record, field.path)}
            problems={problems}
            onChange={(value) => set(field, value)}
          />
        ),
      )}
    </Stack>
  );
}

const pointer = (path: readonly string[]): string => `/${path.join('/')}`;

const chosenIn = (value: unknown): string[] => (Array.isArray(value) ? value.map(String) : []);

function FieldRows({
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
    <Group>
      <GroupName>{field.title}</GroupName>
      <Stack gap={8}>
        {rows.map((row, i) => (
          <RecordRow key={i} role="group" aria-label={`${field.title}, ${i + 1}`}>
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
              look="quiet"
              size="small"
              label={`Remove ${one} ${i + 1}`}
              onClick={() => onChange(rows.filter((_row, k) => k !== i))}
            >
              Remove
            </Button>
          </RecordRow>
        ))}
        <div>
          <Button size="small" onClick={() => onChange([...rows, emptyOf(field.columns)])}>
            Add a row to {(field.title.split(',')[0] ?? '').toLowerCase()}
          </Button>
        </div>
      </Stack>
      <FieldProblem>{problems[path]}</FieldProblem>
    </Group>
  );
}

/** The fields of one row side by side, its button at the end. */
const RecordRow = styled('div')({
  display: 'grid',
  gridAutoFlow: 'column',
  gridAutoColumns: 'minmax(70px, 1fr)',
  gap: 8,
  alignItems: 'start',
  '& > button': { minWidth: 76 },
  '@media (max-width: 760px)': {
    gridAutoFlow: 'row',
    gridTemplateColumns: 'repeat(auto-fill, minmax(120px, 1fr))',
  },
});
