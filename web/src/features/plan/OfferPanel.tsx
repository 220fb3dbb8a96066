import { useEffect, useRef } from 'react';
import { Button, Note, Panel, Row, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { inHours } from '../../planned/index.ts';
import type { PlanTime } from '../../planned/index.ts';
import { useWords } from '../../units/useWords.ts';
import { OrderMoves } from './OrderMoves.tsx';
import type { Offer } from './usePlanRoom.ts';

interface Props {
  offer: Offer;
  time: PlanTime;
  onTake: () => void;
  onLeave: () => void;
}

/** A better plan that was found: what it gains, and what it moves, before anything is moved. */
export function OfferPanel({ offer, time, onTake, onLeave }: Props) {
  const words = useWords();
  const panel = useRef<HTMLElement>(null);
  useEffect(() => {
    // what was pressed to get it lay further down; what scrolling gives back is no way to clean up
    panel.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  return (
    <Panel ref={panel} title={t('A better plan')} label={t('A better plan')} pad={14}>
      <Stack gap={10}>
        <p>
          {gains(offer)} {words(offer.boundSaid)}
        </p>
        {offer.soon > 0 && (
          <Note tone="caution">
            {offer.soon === 1
              ? t('One thing that begins within the hour would move.')
              : t('{n} things that begin within the hour would move.', { n: offer.soon })}
          </Note>
        )}
        {offer.moves.length > 0 && (
          <OrderMoves
            label={t('Orders that would be through at another time')}
            moves={offer.moves}
            time={time}
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
