import { t } from '../../words/index.ts';
import { useState } from 'react';
import { dayIn } from '@saltflat/contract/wallClock';
import { formatDate } from '@saltflat/core/units';
import { problemMessage } from '../../api/problemMessage.ts';
import { shopZone } from '../../units/shopClock.ts';
import { useWriting } from '../../units/writingSlice.ts';
import { serverNow } from '../../api/serverClock.ts';
import { everyDay, goodShares, inkUse, stretchWords } from './daysShown.ts';
import { useLedgerDaysQuery } from './ledgerApi.ts';
import { Chart, Columns, Empty, Failed, Loading, Row, SelectField, Stack } from '../../ui/index.ts';

const STRETCHES = [7, 30, 90] as const;
const HEIGHT_PX = 300;

/** How the pieces came out over time, and the ink that went into them. */
export function LedgerDaysView() {
  const [count, setCount] = useState<(typeof STRETCHES)[number]>(30);
  const writing = useWriting();
  const dayName = (day: string): string => formatDate(day, 'day', writing, 'UTC'); // a day by itself is read as midnight in UTC
  const zone = shopZone();
  const { data, error, refetch } = useLedgerDaysQuery({ zone, days: count });
  if (error)
    return (
      <Failed title={t('The days cannot be fetched')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!data) return <Loading what={t('the days')} />;
  const days = everyDay(data.days, dayIn(zone, serverNow()), count);
  return (
    <Stack pad={16} gap={16}>
      <Row>
        <SelectField
          label={t('Days')}
          width={160}
          value={String(count)}
          options={STRETCHES.map((own) => ({ value: String(own), label: t('the last {own} days', { own }) }))}
          onChange={(own) => setCount(STRETCHES.find((known) => String(known) === own) ?? 30)}
        />
        <p>{stretchWords(days)}</p>
      </Row>
      {data.days.length === 0 ? (
        <Empty title={t('Nothing was judged in these days')}>
          {t('Pieces appear as soon as they are judged on the floor.')}
        </Empty>
      ) : (
        <Columns least={460} gap={24}>
          <Chart
            title={t('Share that came out good')}
            data={goodShares(days, dayName)}
            heightPx={HEIGHT_PX}
          />
          <Chart title={t('Ink by day')} data={inkUse(days, dayName)} heightPx={HEIGHT_PX} />
        </Columns>
      )}
      <p className="muted small">
        {t(
          '○ Ink is what the routes reckon with for each judged piece, reprints and scrap included; film that was spoiled before it met a piece is not in it. Weighings on the floor make the routes’ figures your own.',
        )}
      </p>
    </Stack>
  );
}
