import type { PrintStart, Upkeep } from '@saltflat/contract';
import { NOZZLE_CHANNELS, judgeNozzles, stubbornNozzles } from '@saltflat/core/care';
import { useCareQuery, usePrintStartsQuery } from '../../api/careApi.ts';
import { useDates } from '../../units/writingSlice.ts';
import { Chart, Note, Panel, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

/** Missing nozzles of each printer from check to check: a head that dries says so before prints do. */
export function NozzleTrends({ tasks }: Pick<Upkeep, 'tasks'>) {
  const { data: care } = useCareQuery();
  return (
    <>
      {care?.starts.map(({ machineId }) => (
        <NozzleTrend
          key={machineId}
          machineId={machineId}
          name={tasks.find((own) => own.machineId === machineId)?.machine ?? t('Printer')}
        />
      ))}
    </>
  );
}

function NozzleTrend({ machineId, name }: { machineId: string; name: string }) {
  const dates = useDates();
  const { data } = usePrintStartsQuery(machineId);
  const printed = (data ?? []).filter(hasPattern);
  if (printed.length < 2) return null;
  const stubborn = stubbornNozzles(printed.map(({ input }) => input.missing));
  const named = NOZZLE_CHANNELS.flatMap((channel) =>
    (stubborn[channel] ?? []).map((nozzle) => `${t(channel)} ${nozzle}`),
  );
  const oldestFirst = [...printed].reverse();
  return (
    <Panel label={t('Nozzles of {name}', { name })} pad="12px 16px">
      <Stack gap={8}>
        <Chart
          title={t('{name}: missing nozzles', { name })}
          heightPx={200}
          data={{
            along: { title: t('check'), values: oldestFirst.map(({ at }) => dates(at, 'day')) },
            up: { title: t('missing'), write: (value) => String(Math.round(value)), min: 0 },
            series: [
              {
                name: t('missing nozzles'),
                kind: 'bar',
                values: oldestFirst.map(({ input }) => judgeNozzles(input.missing).count),
              },
              {
                name: t('cleanings before'),
                kind: 'line',
                values: oldestFirst.map(({ input }) => input.cleanings),
              },
            ],
          }}
        />
        {named.length > 0 && (
          <Note tone="caution">
            {t(
              'Missing in each of the last three: {named}. Cleaning does not bring them back: soak the head, or have it looked at.',
              {
                named: named.join(', '),
              },
            )}
          </Note>
        )}
      </Stack>
    </Panel>
  );
}

type WithPattern = PrintStart & { input: { missing: NonNullable<PrintStart['input']['missing']> } };
const hasPattern = (start: PrintStart): start is WithPattern => start.input.missing !== null;
