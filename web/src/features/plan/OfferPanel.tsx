import { Button, Note, Panel, Row, SimpleTable, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { inHours } from '../../planned/index.ts';
import type { PlanTime } from '../../planned/index.ts';
import type { Offer } from './usePlanRoom.ts';

interface Props {
  offer: Offer;
  time: PlanTime;
  onTake: () => void;
  onLeave: () => void;
}

/** A better plan that was found: what it gains, and what it moves, before anything is moved. */
export function OfferPanel({ offer, time, onTake, onLeave }: Props) {
  return (
    <Panel title={t('A better plan')} label={t('A better plan')} pad={14}>
      <Stack gap={10}>
        <p>{gains(offer)}</p>
        {offer.soon > 0 && (
          <Note tone="caution">
            {offer.soon === 1
              ? t('One thing that begins within the hour would move.')
              : t('{n} things that begin within the hour would move.', { n: offer.soon })}
          </Note>
        )}
        {offer.moves.length > 0 && (
          <SimpleTable
            label={t('Orders that would be through at another time')}
            rows={offer.moves}
            keyOf={({ id }) => id}
            columns={[
              { key: 'name', title: t('Order'), cell: ({ name }) => <span className="code">{name}</span> },
              { key: 'before', title: t('Now'), cell: ({ before }) => whenOf(before, time), isNoWrap: true },
              { key: 'after', title: t('Then'), cell: ({ after }) => whenOf(after, time), isNoWrap: true },
            ]}
          />
        )}
        <Row>
          <Button look="primary" onClick={onTake}>
            {t('Take it')}
          </Button>
          <Button onClick={onLeave}>{t('Leave it')}</Button>
        </Row>
      </Stack>
    </Panel>
  );
}

const whenOf = (minute: number | null, time: PlanTime): string =>
  minute === null ? t('no place') : time(minute, 'weekday-time');

function gains({ sparedLate, sparedFinish, sparedChanges }: Offer): string {
  const parts = [
    ...(sparedLate > 0 ? [t('{time} less late in all', { time: inHours(sparedLate) })] : []),
    ...(sparedFinish > 0 ? [t('all through {time} earlier', { time: inHours(sparedFinish) })] : []),
    ...(sparedFinish < 0 ? [t('all through {time} later', { time: inHours(-sparedFinish) })] : []),
    ...(sparedChanges > 0 ? [t('{time} fewer changes of machines', { time: inHours(sparedChanges) })] : []),
  ];
  const text = parts.join(', ');
  return text.charAt(0).toUpperCase() + text.slice(1) + '.';
}
