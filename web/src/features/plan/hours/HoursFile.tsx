import type { Machine } from '@saltflat/contract';
import { useState } from 'react';
import { Button, FileButton, Fold, Note, Row, Stack, readCsv, saveCsv } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import type { HoursForm } from './hoursForm.ts';
import { COLUMNS, hoursRows, readHoursRows } from './hoursFile.ts';
import type { RowFault } from './hoursFile.ts';

interface Props {
  /** What is typed now. */
  values: () => HoursForm;
  machines: readonly Machine[];
  /** Fills the form in; nothing is saved by it. */
  onRead: (form: HoursForm) => void;
}

interface Read {
  name: string;
  faults: readonly RowFault[];
}

/** Faults that are told at once. */
const MOST_FAULTS = 12;

/** Working hours out as a table, and in again: a rota, holidays or who is away, as a spreadsheet has them. */
export function HoursFile({ values, machines, onRead }: Props) {
  const [read, setRead] = useState<Read | null>(null);
  const take = async (file: File): Promise<void> => {
    const rows = (await readCsv(file)).map((row) =>
      Object.fromEntries(Object.entries(row).map(([key, value]) => [key.trim().toLowerCase(), value])),
    );
    const { form, faults } = hasKinds(rows)
      ? readHoursRows(rows, values(), machines)
      : { form: null, faults: [{ line: 1, words: headingWords() }] };
    if (form !== null && faults.length === 0) onRead(form);
    setRead({ name: file.name, faults });
  };
  return (
    <Fold title={t('In and out as a file')}>
      <Stack>
        <p className="muted small">
          {t(
            'One row for a day’s hours, a break, a holiday, a time somebody is away or a machine stands still: {columns}. What a file has of a kind replaces all of that kind, of hours and breaks those of whom it names.',
            { columns: COLUMNS.join(', ') },
          )}
        </p>
        <Row>
          <Button
            size="small"
            onClick={() => void saveCsv(t('working hours'), hoursRows(values(), machines))}
          >
            {t('Export CSV')}
          </Button>
          <FileButton
            size="small"
            label={t('Read a CSV file')}
            accept=".csv,text/csv"
            onFile={(file) => void take(file)}
          >
            {t('Read a CSV file')}
          </FileButton>
        </Row>
        {read && read.faults.length === 0 && (
          <Note role="status">
            {t('{name} is filled in. Look at it, then save the hours.', { name: read.name })}
          </Note>
        )}
        {read && read.faults.length > 0 && (
          <Note tone="alarm" role="alert">
            <p>
              {t(
                '{name} has lines that cannot be taken. Nothing is changed: mend them and choose the file again.',
                {
                  name: read.name,
                },
              )}
            </p>
            <ul>
              {read.faults.slice(0, MOST_FAULTS).map(({ line, words }) => (
                <li key={line}>{t('Line {n}. {words}', { n: line, words })}</li>
              ))}
              {read.faults.length > MOST_FAULTS && (
                <li>{t('And {n} more.', { n: read.faults.length - MOST_FAULTS })}</li>
              )}
            </ul>
          </Note>
        )}
      </Stack>
    </Fold>
  );
}

const hasKinds = (rows: readonly Record<string, string>[]): boolean =>
  rows.length > 0 && rows.every((row) => 'kind' in row);
const headingWords = (): string =>
  t('The first line names the columns: {columns}.', { columns: COLUMNS.join(', ') });
