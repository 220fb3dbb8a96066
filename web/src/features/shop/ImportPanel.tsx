import type { ImportReport, ShopList } from '@saltflat/contract';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { Followed } from './Followed.tsx';
import { useImportListMutation } from './shopApi.ts';
import { Button, FileButton, Fold, Refusal, Row, SimpleTable, Stack } from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';

const ACTIONS = { add: '◆ added', change: '◐ changed', same: '● as it is', refuse: '■ refused' } as const;

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
    <Fold title="In and out as a file">
      <Stack>
        <Row>
          {(['csv', 'json'] as const).map((format) => (
            <Button key={format} size="small" download={`/api/v1/shop/export?list=${list}&format=${format}`}>
              Export {format.toUpperCase()}
            </Button>
          ))}
          <FileButton
            size="small"
            label="Import a CSV or JSON file"
            accept=".csv,.json,text/csv,application/json"
            isBusy={isLoading}
            onFile={(file) => void take(file)}
          >
            Import a CSV or JSON file
          </FileButton>
        </Row>
        <Refusal words={refusal} onRetry={chosen ? () => void send(chosen, true) : undefined} />
        {report && chosen && (
          <>
            <p role="status">
              {report.isApplied
                ? `${chosen.name} is in: ${changes.length} ${changes.length === 1 ? 'record' : 'records'} written.`
                : isRefused
                  ? `${chosen.name} has lines that cannot be taken. Nothing is changed: mend them and choose the file again.`
                  : changes.length === 0
                    ? `${chosen.name} says what is here already.`
                    : `${chosen.name} would change ${changes.length} of ${report.lines.length}. Nothing is changed yet.`}
            </p>
            <SimpleTable
              label="What would change"
              columns={COLUMNS}
              rows={changes}
              keyOf={({ line }) => line}
            />
            {report.untold > 0 && (
              <p>
                {report.untold} more {report.untold === 1 ? 'line' : 'lines'} cannot be taken: mend these
                first.
              </p>
            )}
            {!report.isApplied && !isRefused && changes.length > 0 && (
              <div>
                <Button look="primary" isBusy={isLoading} onClick={() => void send(chosen, false)}>
                  Take it in
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
  { key: 'line', title: 'Line', isNumber: true, cell: ({ line }) => line },
  { key: 'name', title: 'Name', cell: ({ name }) => name },
  { key: 'action', title: 'Would be', isNoWrap: true, cell: ({ action }) => ACTIONS[action] },
  { key: 'notes', title: 'What', cell: ({ notes }) => <span className="small">{notes.join(' · ')}</span> },
];
