import type { ImportReport, ShopList } from '@saltflat/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { Followed } from './Followed.tsx';
import { useImportListMutation } from './shopApi.ts';

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
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
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
    <details className="panel import">
      <summary>In and out as a file</summary>
      <div className="stack" style={{ padding: 16 }}>
        <div className="row">
          {(['csv', 'json'] as const).map((format) => (
            <Button
              key={format}
              size="small"
              variant="outlined"
              component="a"
              href={`/api/v1/shop/export?list=${list}&format=${format}`}
              download
            >
              Export {format.toUpperCase()}
            </Button>
          ))}
          <Button component="label" size="small" variant="outlined">
            Import a CSV or JSON file
            <input
              type="file"
              className="visually-hidden"
              accept=".csv,.json,text/csv,application/json"
              onChange={(event) => {
                void take(event.target.files?.[0]);
                event.target.value = '';
              }}
            />
          </Button>
        </div>
        {refusal !== '' && (
          <p className="alarm" role="alert">
            {refusal}
          </p>
        )}
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
            <table className="dense">
              <thead>
                <tr>
                  <th className="number">Line</th>
                  <th>Name</th>
                  <th>Would be</th>
                  <th>What</th>
                </tr>
              </thead>
              <tbody>
                {changes.map(({ line, name, action, notes }) => (
                  <tr key={line}>
                    <td className="number">{line}</td>
                    <td>{name}</td>
                    <td className="nowrap">{ACTIONS[action]}</td>
                    <td className="small">{notes.join(' · ')}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            {report.untold > 0 && (
              <p>
                {report.untold} more {report.untold === 1 ? 'line' : 'lines'} cannot be taken: mend these
                first.
              </p>
            )}
            {!report.isApplied && !isRefused && changes.length > 0 && (
              <div>
                <Button variant="contained" disabled={isLoading} onClick={() => void send(chosen, false)}>
                  Take it in
                </Button>
              </div>
            )}
            {report.changeId !== null && <Followed changeId={report.changeId} drafts={0} />}
          </>
        )}
      </div>
    </details>
  );
}
