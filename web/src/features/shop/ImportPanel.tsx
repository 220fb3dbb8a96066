import { rich, t } from '../../words/index.ts';
import type { ImportReport, ShopList } from '@saltflat/contract';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { Followed } from './Followed.tsx';
import { useImportListMutation } from './shopApi.ts';
import { Button, FileButton, Fold, Refusal, Row, SimpleTable, Stack } from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';

const ACTIONS = {
  add: t('◆ added'),
  change: t('◐ changed'),
  same: t('● as it is'),
  refuse: t('■ refused'),
} as const;

interface Chosen {
  name: string;
  format: 'csv' | 'json';
  text: string;
}

/** A list out as a file, and in again: first what would change, line by line, then all of it or nothing. */
export function ImportPanel({ list }: { list: ShopList }) {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [report, setReport] = useState<ImportReport | null>(null);
  const [refusal, setRefusal] = useState('');
  const [bringIn, { isLoading }] = useImportListMutation();
  const send = async (file: Chosen, dryRun: boolean): Promise<void> => {
    const answer = await bringIn({ list, format: file.format, text: file.text, dryRun });
    setRefusal(answer.error ? problemMessage(answer.error) : '');
    setReport(answer.data ?? null);
  };
  const take = async (file: File): Promise<void> => {
    const own: Chosen = {
      name: file.name,
      format: file.name.toLowerCase().endsWith('.json') ? 'json' : 'csv',
      text: await file.text(),
    };
    setChosen(own);
    await send(own, true);
  };
  const isRefused = report?.lines.some(({ action }) => action === 'refuse') ?? false;
  const changes = report?.lines.filter(({ action }) => action !== 'same') ?? [];
  return (
    <Fold title={t('In and out as a file')}>
      <Stack>
        <Row>
          {(['csv', 'json'] as const).map((format) => (
            <Button key={format} size="small" download={`/api/v1/shop/export?list=${list}&format=${format}`}>
              {rich('Export {format}', { format: format.toUpperCase() })}
            </Button>
          ))}
          <FileButton
            size="small"
            label={t('Import a CSV or JSON file')}
            accept=".csv,.json,text/csv,application/json"
            isBusy={isLoading}
            onFile={(file) => void take(file)}
          >
            {t('Import a CSV or JSON file')}
          </FileButton>
        </Row>
        <Refusal words={refusal} onRetry={chosen ? () => void send(chosen, true) : undefined} />
        {report && chosen && (
          <>
            <p role="status">
              {report.isApplied
                ? changes.length === 1
                  ? t('{name} is in: 1 record written.', { name: chosen.name })
                  : t('{name} is in: {count} records written.', {
                      name: chosen.name,
                      count: changes.length,
                    })
                : isRefused
                  ? t(
                      '{name} has lines that cannot be taken. Nothing is changed: mend them and choose the file again.',
                      { name: chosen.name },
                    )
                  : changes.length === 0
                    ? t('{name} says what is here already.', { name: chosen.name })
                    : t('{name} would change {count} of {length}. Nothing is changed yet.', {
                        name: chosen.name,
                        count: changes.length,
                        length: report.lines.length,
                      })}
            </p>
            <SimpleTable
              label={t('What would change')}
              columns={COLUMNS}
              rows={changes}
              keyOf={({ line }) => line}
            />
            {report.untold > 0 && (
              <p>
                {report.untold === 1
                  ? t('1 more line cannot be taken: mend these first.')
                  : t('{count} more lines cannot be taken: mend these first.', { count: report.untold })}
              </p>
            )}
            {!report.isApplied && !isRefused && changes.length > 0 && (
              <div>
                <Button look="primary" isBusy={isLoading} onClick={() => void send(chosen, false)}>
                  {t('Take it in')}
                </Button>
              </div>
            )}
            {report.changeId !== null && <Followed changeId={report.changeId} drafts={0} />}
          </>
        )}
      </Stack>
    </Fold>
  );
}

const COLUMNS: TableColumn<ImportReport['lines'][number]>[] = [
  { key: 'line', title: t('Line'), isNumber: true, cell: ({ line }) => line },
  { key: 'name', title: t('Name'), cell: ({ name }) => name },
  { key: 'action', title: t('Would be'), isNoWrap: true, cell: ({ action }) => ACTIONS[action] },
  { key: 'notes', title: t('What'), cell: ({ notes }) => <span className="small">{notes.join(' · ')}</span> },
];
