import type { OrderMove } from '@saltflat/core/plan';
import type { Said } from '@saltflat/core/words';
import { useState } from 'react';
import type { PlanTime } from '../../planned/index.ts';
import { useWords } from '../../units/useWords.ts';
import { Button, Row, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

/** An order that is through at another time than it was; why, where that is later. */
export interface MovedOrder extends OrderMove {
  why: Said | null;
}

interface Props {
  label: string;
  moves: readonly MovedOrder[];
  time: PlanTime;
}

/** So many are shown until somebody wants all. */
const SHOWN = 5;

/** Orders with when they were through and when they are now, each with why it is later. */
export function OrderMoves({ label, moves, time }: Props) {
  const words = useWords();
  const [isAll, setIsAll] = useState(false);
  const shown = isAll || moves.length <= SHOWN + 1 ? moves : moves.slice(0, SHOWN);
  return (
    <Stack as="ul" gap={8} aria-label={label} style={{ listStyle: 'none', padding: 0 }}>
      {shown.map(({ id, name, before, after, why }) => (
        <li key={id}>
          <Row gap={8}>
            <span className="code">{name}</span>
            <span>
              {whenOf(before, time)} → {whenOf(after, time)}
            </span>
          </Row>
          {why && <div className="muted small">{words(why)}</div>}
        </li>
      ))}
      {shown.length < moves.length && (
        <li>
          <Button size="small" look="quiet" onClick={() => setIsAll(true)}>
            {t('Show all {n}', { n: moves.length })}
          </Button>
        </li>
      )}
    </Stack>
  );
}

const whenOf = (minute: number | null, time: PlanTime): string =>
  minute === null ? t('no place') : time(minute, 'weekday-time');
