import type { ComparisonQuery } from '@saltflat/contract';
import type { Process } from '@saltflat/core/route';
import { PROCESSES, PROCESS_NAMES, promiseSlip } from '@saltflat/core/route';
import { skipToken } from '@reduxjs/toolkit/query';
import { useEffect, useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { serverNow } from '../../api/serverClock.ts';
import { useComparisonQuery } from './comparisonApi.ts';
import { gradesOf, piecesOf } from './orderFormValues.ts';
import type { LineValues } from './orderFormValues.ts';
import { ProcessComparison } from './ProcessComparison.tsx';

interface Props {
  name: string;
  line: LineValues;
  /** When the order is due, ms since 1970; `null` while none is written. */
  dueMs: number | null;
  onChange: (part: Pick<LineValues, 'process' | 'isProcessChosen'>) => void;
}

const TYPING_MS = 350;

/** The process of a line: compared as soon as there is art, and set to the recommended one until a person chooses. */
export function LineProcess({ name, line, dueMs, onChange }: Props) {
  const query = useSettled(queryOf(line), TYPING_MS);
  const { data, error, isFetching } = useComparisonQuery(query ?? skipToken);
  const recommended = data?.recommended ?? null;
  const { process, isProcessChosen } = line;
  useEffect(() => {
    if (!isProcessChosen && !isFetching && recommended !== null && recommended !== process)
      onChange({ process: recommended, isProcessChosen: false });
    // a new recommendation sets the process; the line's own changes reach here through the query
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [recommended, isProcessChosen, isFetching, process]);
  const choose = (own: Process): void => onChange({ process: own, isProcessChosen: true });
  const chosen = data?.options.find((option) => option.process === process)?.plan;
  const promise =
    chosen && dueMs !== null ? promiseSlip({ ...chosen, totals: chosen, process }, serverNow(), dueMs) : null;
  if (query !== null && data)
    return (
      <>
        {promise !== null && (
          <p className="alarm" role="status">
            ◆ {promise}
          </p>
        )}
        <ProcessComparison
          name={name}
          comparison={data}
          process={process}
          isFetching={isFetching}
          onChange={choose}
        />
      </>
    );
  return (
    <fieldset className="comparison">
      <legend className="muted small">Process</legend>
      <div className="row" style={{ gap: 8 }}>
        {PROCESSES.map((key) => (
          <label key={key} className="choice" data-chosen={process === key}>
            <input
              type="radio"
              name={name}
              value={key}
              checked={process === key}
              onChange={() => choose(key)}
            />
            <span>{PROCESS_NAMES[key]}</span>
          </label>
        ))}
      </div>
      <p className={error ? 'field-problem' : 'muted small'} role="status" style={{ marginTop: 6 }}>
        {error ? problemMessage(error) : waitingWords(line, query)}
      </p>
    </fieldset>
  );
}

function waitingWords(line: LineValues, query: ComparisonQuery | null): string {
  if (query !== null) return 'Measuring the art for every process …';
  if (line.artwork === null)
    return 'Drop the art: the processes are then compared by cost, time, look and risk.';
  return 'Say how many: the processes are then compared by cost, time, look and risk.';
}

/** What is asked of the server; `null` while too little is known. */
function queryOf(line: LineValues): ComparisonQuery | null {
  const { artwork, styleId, colourId, placement, dropMm, widthMm, quantities, widths, house } = line;
  const sizes = Object.entries(quantities)
    .map(([size, text]) => ({ size, quantity: Number(text) }))
    .filter(({ quantity }) => Number.isInteger(quantity) && quantity > 0);
  if (artwork === null || widthMm === null || dropMm === null || piecesOf(line) === 0 || sizes.length === 0)
    return null;
  return {
    styleId,
    colourId,
    artworkId: artwork.id,
    placement,
    dropMm,
    widthMm,
    sizes,
    grades: gradesOf(widths, sizes),
    house,
  };
}

/** The value once it has stayed the same for a while: nothing is asked at every key. */
function useSettled<T>(value: T, ms: number): T {
  const [settled, setSettled] = useState(value);
  const key = JSON.stringify(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), ms);
    return () => clearTimeout(timer);
    // compared by content: a new object of the same content is the same question
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, ms]);
  return JSON.stringify(settled) === key ? value : settled;
}
