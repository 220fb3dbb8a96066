import type { Machine, WantedAnswer, WantedQuery } from '@saltflat/contract';
import type { Promised } from '@saltflat/core/plan';
import { skipToken } from '@reduxjs/toolkit/query';
import { useMemo } from 'react';
import { usePlanGroundQuery, useWantedQuery } from '../../../api/planApi.ts';
import { problemMessage } from '../../../api/problemMessage.ts';
import { inHours, lateMin, usePlanTime } from '../../../planned/index.ts';
import { Button, Note, Panel, Refusal, Sideways, SimpleTable, Stack, styled } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import type { LineValues } from '../orderFormValues.ts';
import { useSettled } from '../useSettled.ts';
import { writtenLine } from '../writtenLine.ts';
import { usePromise } from './usePromise.ts';
import type { Promising } from './usePromise.ts';

interface Props {
  machines: readonly Machine[];
  lines: readonly LineValues[];
  /** As it is written; `null` while it is no day. */
  dueAt: string | null;
  onPromise: (atMs: number) => void;
}

const TYPING_MS = 600;

/** When what is written could be through, how sure that is, and what it would push. */
export function PromisePanel({ machines, lines, dueAt, onPromise }: Props) {
  const asked = queryOf(lines, dueAt);
  const query = useSettled(asked, TYPING_MS);
  const { data: sought, error, isFetching, refetch } = useWantedQuery(query ?? skipToken);
  const ground = usePlanGroundQuery(query === null ? skipToken : undefined);
  const ids = JSON.stringify(lines.flatMap(({ lineId }) => (lineId === null ? [] : [lineId])));
  const instead = useMemo(() => new Set(JSON.parse(ids) as string[]), [ids]);
  const promise = usePromise({ ground: ground.data, machines, sought: query ? sought : undefined, instead });
  // what was asked for before is still to be read, but no promise
  const isOld = isFetching || JSON.stringify(asked) !== JSON.stringify(query);
  const failed = error ?? ground.error;
  const again = (): void => {
    if (error) void refetch();
    if (ground.error) void ground.refetch();
  };
  return (
    <Panel title={t('When it could be done')} label={t('When it could be done')}>
      {query === null && (
        <Said className="muted">
          {t('As soon as every line has art and a number, it is planned together with what is open.')}
        </Said>
      )}
      {query !== null && (
        <div aria-busy={isOld || promise?.isWorking === true}>
          {failed && (
            <Said as="div">
              <Refusal words={problemMessage(failed)} onRetry={again} />
            </Said>
          )}
          {sought?.refused.map(({ line, why }) => (
            <Said as="div" key={line}>
              <Note tone="alarm">{t('Line {line} cannot be planned: {why}', { line: line + 1, why })}</Note>
            </Said>
          ))}
          {!failed && promise === null && sought?.refused.length !== lines.length && (
            <Said className="muted" role="status">
              {t('Planned together with what is open …')}
            </Said>
          )}
          {promise && sought && sought.refused.length === 0 && (
            <Ways
              promise={isOld ? { ...promise, isWorking: true } : promise}
              sought={sought}
              codes={codesOf(ground.data?.jobs ?? [])}
              onPromise={onPromise}
            />
          )}
        </div>
      )}
    </Panel>
  );
}

/** What is said over and under the table. */
const Said = styled('p')({ padding: '10px 16px' });

/** Codes of lines by their ids. */
const codesOf = (jobs: readonly { lines: readonly { lineId: string; code: string }[] }[]) =>
  new Map(jobs.flatMap((job) => job.lines.map(({ lineId, code }) => [lineId, code] as const)));

/** What is asked of the server; `null` while a line has no art or no number. */
function queryOf(lines: readonly LineValues[], dueAt: string | null): WantedQuery | null {
  if (dueAt === null) return null;
  const written = lines.flatMap((line) => {
    const own = writtenLine(line);
    return own?.prints.length === line.prints.length ? [own] : [];
  });
  return written.length === lines.length ? { dueAt, lines: written } : null;
}

interface Way {
  key: string;
  name: string;
  own: Promised;
}

interface WaysProps {
  promise: Promising;
  sought: WantedAnswer;
  codes: ReadonlyMap<string, string>;
  onPromise: Props['onPromise'];
}

function Ways({ promise: { room, answer, isWorking, failed }, sought, codes, onPromise }: WaysProps) {
  const time = usePlanTime(room.epochMs, room.zone);
  const waits = sought.jobs.flatMap(({ lines }) => lines.flatMap(({ materialsAt }) => materialsAt ?? []));
  const materials = waits.sort().at(-1);
  const isWithin = ({ honest }: Promised): boolean => honest <= room.instance.horizon;
  const ways = WAYS.flatMap(({ key, name }): Way[] => {
    const own = answer?.[key] ?? null;
    return own !== null && isWithin(own) ? [{ key, name, own }] : [];
  });
  return (
    <>
      {failed !== null && (
        <Said as="div">
          <Refusal words={t('It could not be planned: {failed}', { failed })} />
        </Said>
      )}
      {materials !== undefined && (
        <Said>
          {t('What is bought in for it is here on {when}, were it ordered now.', {
            when: time((Date.parse(materials) - room.epochMs) / 60_000, 'weekday'),
          })}
        </Said>
      )}
      {ways.length > 0 && (
        <Sideways label={t('Ways of doing it, side by side')}>
          <SimpleTable
            label={t('Ways of doing it')}
            rows={ways}
            keyOf={({ key }) => key}
            isTopAligned
            columns={[
              { key: 'way', title: t('Way'), cell: ({ name }) => name },
              {
                key: 'honest',
                title: t('Can be promised for'),
                cell: ({ own }) => (
                  <span style={{ display: 'grid' }}>
                    <strong>{time(own.honest, 'weekday-time')}</strong>
                    <span className="muted small">
                      {t('by the plan {when}', { when: time(own.through, 'weekday-time') })}
                    </span>
                  </span>
                ),
              },
              {
                key: 'take',
                title: t('Due date'),
                isNoWrap: true,
                cell: ({ own }) => (
                  <Button
                    size="small"
                    disabled={isWorking}
                    onClick={() => onPromise(room.epochMs + 60_000 * own.honest)}
                  >
                    {t('Promise it')}
                  </Button>
                ),
              },
              {
                key: 'chance',
                title: t('In time as typed'),
                isNumber: true,
                cell: ({ own }) => `${Math.round(100 * own.onTime)} %`,
              },
              {
                key: 'pushed',
                title: t('What it pushes'),
                cell: ({ own }) => <Pushed own={own} codes={codes} />,
              },
            ]}
          />
        </Sideways>
      )}
      {!isWorking && failed === null && ways.length === 0 && (
        <Said as="div">
          <Note tone="caution">{t('There is no place for it within the fortnight that is planned.')}</Note>
        </Said>
      )}
      <Said className="muted small" role="status">
        {isWorking
          ? t('Planned together with what is open …')
          : t(
              'Nine times in ten it is through by what can be promised: by a model, with hands that vary by 18 % from work to work and 10 % from day to day. Both are assumed.',
            )}
      </Said>
    </>
  );
}

const WAYS = [
  { key: 'between', name: t('Between what is planned') },
  { key: 'weighed', name: t('By the due dates of all') },
  { key: 'first', name: t('Before everything else') },
] as const;

const SHOWN = 3;

/** Others that are through later, those that lose most first. */
function Pushed({ own: { pushed }, codes }: { own: Promised; codes: ReadonlyMap<string, string> }) {
  const later = pushed.filter(({ before, after }) => (after ?? Infinity) > (before ?? Infinity));
  if (later.length === 0) return <>{t('nothing')}</>;
  const rest = later.length - SHOWN;
  return (
    <Stack as="ul" gap={2} className="small">
      {later.slice(0, SHOWN).map(({ id, due, before, after }) => {
        const late = lateMin({ through: after, due });
        const by = after === null || before === null ? null : inHours(after - before);
        const code = codes.get(id) ?? '';
        return (
          <li key={id}>
            {by === null
              ? t('{code} has no place any more', { code })
              : late > 0
                ? t('{code} by {by}, then late by {late}', { code, by, late: inHours(late) })
                : t('{code} by {by}, still in time', { code, by })}
          </li>
        );
      })}
      {rest > 0 && <li>{rest === 1 ? t('and one more') : t('and {rest} more', { rest })}</li>}
    </Stack>
  );
}
