import { t } from '../../words/index.ts';
import type { ComparisonQuery } from '@saltflat/contract';
import type { Process } from '@saltflat/core/route';
import { PROCESSES, PROCESS_NAMES, promiseSlip } from '@saltflat/core/route';
import { skipToken } from '@reduxjs/toolkit/query';
import { useEffect } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { serverNow } from '../../api/serverClock.ts';
import { useComparisonQuery } from './comparisonApi.ts';
import { mendEffect } from './mendEffect.ts';
import { writtenLine } from './writtenLine.ts';
import type { LineValues, PrintValues } from './orderFormValues.ts';
import { useMoney } from '../../units/writingSlice.ts';
import { useWords } from '../../units/useWords.ts';
import { useSettled } from './useSettled.ts';
import { ProcessComparison } from './ProcessComparison.tsx';
import { Note, RadioField, Refusal } from '../../ui/index.ts';

interface Props {
  /** Of the radio buttons: one group a print. */
  name: string;
  /** Which print, in words. */
  of: string;
  line: LineValues;
  print: PrintValues;
  /** When the order is due, ms since 1970; `null` while none is written. */
  dueMs: number | null;
  onChange: (part: Pick<PrintValues, 'process' | 'isProcessChosen'>) => void;
}

const TYPING_MS = 350;

/** The process of a print: compared as soon as there is art, and set to the recommended one until a person chooses. */
export function LineProcess({ name, of, line, print, dueMs, onChange }: Props) {
  const words = useWords();
  const money = useMoney();
  const query = useSettled(queryOf(line, print), TYPING_MS);
  const { data, error, isFetching, refetch } = useComparisonQuery(query ?? skipToken);
  // of the file as it came: asked before it was mended, so that it is known already most of the time
  const { data: bare } = useComparisonQuery((print.preparation && asItCame(query, print.id)) ?? skipToken);
  const recommended = data?.recommended ?? null;
  const { process, isProcessChosen } = print;
  useEffect(() => {
    if (!isProcessChosen && !isFetching && recommended !== null && recommended !== process)
      onChange({ process: recommended, isProcessChosen: false });
    // a new recommendation sets the process; the line's own changes reach here through the query
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [recommended, isProcessChosen, isFetching, process]);
  const choose = (own: Process): void => onChange({ process: own, isProcessChosen: true });
  const chosen = data?.options.find((option) => option.process === process)?.plan;
  const promise =
    chosen && dueMs !== null
      ? promiseSlip({ ...chosen, totals: chosen, prints: [{ process }] }, serverNow(), dueMs)
      : null;
  const effect = print.preparation && !isFetching ? mendEffect(bare, data, process, money) : null;
  if (query !== null && data)
    return (
      <>
        {promise !== null && (
          <Note tone="alarm" role="status">
            ◆ {words(promise)}
          </Note>
        )}
        {effect !== null && <p role="status">{effect}</p>}
        <ProcessComparison
          name={name}
          of={of}
          comparison={data}
          process={process}
          isFetching={isFetching}
          onChange={choose}
        />
      </>
    );
  return (
    <div>
      <RadioField
        label={t('Process')}
        name={name}
        look="tiles"
        value={process}
        options={PROCESSES.map((key) => ({ value: key, label: t(PROCESS_NAMES[key]) }))}
        onChange={choose}
      />
      <div style={{ marginTop: 6 }}>
        {error ? (
          <Refusal
            words={t('The processes cannot be compared: {error}', { error: problemMessage(error) })}
            onRetry={() => void refetch()}
            isRetrying={isFetching}
          />
        ) : (
          <p className="muted small" role="status">
            {waitingWords(print, query)}
          </p>
        )}
      </div>
    </div>
  );
}

const asItCame = (query: ComparisonQuery | null, print: string): ComparisonQuery | null =>
  query && {
    ...query,
    prints: query.prints.map((own) => (own.id === print ? { ...own, preparationId: null } : own)),
  };

function waitingWords(print: PrintValues, query: ComparisonQuery | null): string {
  if (query !== null) return t('Measuring the art for every process …');
  if (print.artwork === null)
    return t('Drop the art: the processes are then compared by cost, time, look and risk.');
  return t('Say how many: the processes are then compared by cost, time, look and risk.');
}

/** What is asked of the server; `null` while too little is known. */
function queryOf(line: LineValues, print: PrintValues): ComparisonQuery | null {
  // what it is compared for does not depend on which process is chosen for it now
  const prints = line.prints.map((own) => (own === print ? { ...own, process: 'dtf' as const } : own));
  const written = writtenLine({ ...line, prints });
  if (!written?.prints.some(({ id }) => id === print.id)) return null;
  return { ...written, print: print.id };
}
