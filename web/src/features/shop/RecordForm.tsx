import { rich, t } from '../../words/index.ts';
import type { RecordField } from '@saltflat/contract/shopFields';
import { Controller, useFieldArray } from 'react-hook-form';
import type { Control, FieldValues } from 'react-hook-form';
import { choiceWords } from './choiceWords.ts';
import { emptyOf } from './emptyRecord.ts';
import { Field } from './Field.tsx';
import { Button, CheckSet, Columns, FieldProblem, Group, GroupName, Stack, styled } from '../../ui/index.ts';

interface Props<D extends FieldValues> {
  fields: readonly RecordField[];
  control: Control<FieldValues, unknown, D>;
  /** Sentences by JSON Pointer into the record. */
  problems: Record<string, string>;
}

/** A record to fill in, drawn from its schema: each field by its kind, the smaller ones side by side. */
export function RecordForm<D extends FieldValues>({ fields, control, problems }: Props<D>) {
  const small = fields.filter(({ type }) => type !== 'rows' && type !== 'set');
  const large = fields.filter(({ type }) => type === 'rows' || type === 'set');
  return (
    <Stack>
      <Columns least={188} gap={8}>
        {small.map((field) => (
          <Controller
            key={pointer(field.path)}
            control={control}
            name={field.path.join('.')}
            render={({ field: { value, onChange } }) => (
              <Field
                field={field}
                value={value as unknown}
                problem={problems[pointer(field.path)] ?? problems[pointer(field.path.slice(0, -1))]}
                onChange={onChange}
              />
            )}
          />
        ))}
      </Columns>
      {large.map((field) =>
        field.type === 'set' ? (
          <Controller
            key={pointer(field.path)}
            control={control}
            name={field.path.join('.')}
            render={({ field: { value, onChange } }) => (
              <CheckSet
                label={field.title}
                options={field.choices.map((choice) => ({
                  value: choice,
                  label: choiceWords(field, choice),
                }))}
                chosen={chosenIn(value)}
                problem={problems[pointer(field.path)]}
                onChange={onChange}
              />
            )}
          />
        ) : (
          <FieldRows key={pointer(field.path)} field={field} control={control} problems={problems} />
        ),
      )}
    </Stack>
  );
}

const pointer = (path: readonly string[]): string => `/${path.join('/')}`;

const chosenIn = (value: unknown): string[] => (Array.isArray(value) ? value.map(String) : []);

function FieldRows<D extends FieldValues>({
  field,
  control,
  problems,
}: Pick<Props<D>, 'control' | 'problems'> & { field: RecordField }) {
  const name = field.path.join('.');
  const { fields: rows, append, remove } = useFieldArray({ control, name });
  const path = pointer(field.path);
  const one = (field.columns[0]?.title ?? 'row').toLowerCase();
  return (
    <Group>
      <GroupName>{field.title}</GroupName>
      <Stack gap={8}>
        {rows.map(({ id }, i) => (
          <RecordRow key={id} role="group" aria-label={`${field.title}, ${i + 1}`}>
            {field.columns.map((column) => (
              <Controller
                key={pointer(column.path)}
                control={control}
                name={`${name}.${i}.${column.path.join('.')}`}
                render={({ field: { value, onChange } }) => (
                  <Field
                    field={column}
                    value={value as unknown}
                    problem={problems[`${path}/${i}${pointer(column.path)}`]}
                    isNarrow
                    onChange={onChange}
                  />
                )}
              />
            ))}
            <Button
              look="quiet"
              size="small"
              label={t('Remove {one} {n}', { one, n: i + 1 })}
              onClick={() => remove(i)}
            >
              {t('Remove')}
            </Button>
          </RecordRow>
        ))}
        <div>
          <Button size="small" onClick={() => append(emptyOf(field.columns))}>
            {rich('Add a row to {toLowerCase}', {
              toLowerCase: (field.title.split(',')[0] ?? '').toLowerCase(),
            })}
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
