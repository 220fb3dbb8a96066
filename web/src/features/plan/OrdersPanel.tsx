import type { OrderChance, PicturedOrder } from '@saltflat/core/plan';
import { inHours, lateMin } from '../../planned/index.ts';
import type { HandsSpread, PlanTime } from '../../planned/index.ts';
import { Mark, Panel, Pressable, SimpleTable } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

export interface OrderShown extends PicturedOrder {
  code: string;
  customer: string;
}

interface Props {
  orders: readonly OrderShown[];
  chances: ReadonlyMap<string, OrderChance>;
  /** How much hands vary, by which the chances are reckoned. */
  spread: HandsSpread;
  lit: string | null;
  time: PlanTime;
  onLight: (id: string | null) => void;
}

/** Each order, when it is through and how sure that is, the one that is due first on top. */
export function OrdersPanel({ orders, chances, spread, lit, time, onLight }: Props) {
  const sorted = [...orders].sort((p, q) => p.due - q.due);
  return (
    <Panel title={t('Orders by this plan')} label={t('Orders by this plan')} pad={0}>
      <SimpleTable
        label={t('Orders by this plan')}
        rows={sorted}
        keyOf={({ id }) => id}
        isSelected={({ id }) => id === lit}
        columns={[
          {
            key: 'code',
            title: t('Order'),
            cell: (row) => (
              <Pressable
                look="words"
                isPressed={row.id === lit}
                label={t('Show the work of {code}, {customer}', row as { code: string; customer: string })}
                onClick={() => onLight(row.id === lit ? null : row.id)}
              >
                <span className="code">{row.code}</span>
              </Pressable>
            ),
          },
          {
            key: 'through',
            title: t('Through'),
            cell: (row) => <ThroughCell order={row} time={time} />,
          },
          {
            key: 'chance',
            title: t('In time'),
            isNumber: true,
            cell: ({ id }) => {
              const chance = chances.get(id);
              return chance ? `${Math.round(100 * chance.onTime)} %` : '…';
            },
          },
        ]}
      />
      <p className="muted small" style={{ padding: '8px 12px' }}>
        {spreadWords(spread)}
      </p>
    </Panel>
  );
}

/** Where the chances come from: a model, and what of it was timed here. */
function spreadWords({ own, owns, pace }: HandsSpread): string {
  const shares = { own: `${Math.round(100 * own)} %`, pace: `${Math.round(100 * pace)} %` };
  return Object.keys(owns).length === 0
    ? t(
        'A chance by a model, not a promise: hands are taken to vary by {own} from work to work and by {pace} from day to day. Both are assumed.',
        shares,
      )
    : t(
        'A chance by a model, not a promise: hands vary from work to work as they were timed here, by an assumed {own} where they were not, and by {pace} from day to day.',
        shares,
      );
}

function ThroughCell({ order, time }: { order: OrderShown; time: PlanTime }) {
  const late = lateMin(order);
  if (order.through === null)
    return (
      <Mark mark="■" tone="hands" isSmall>
        {t('not all has a place')}
      </Mark>
    );
  return (
    <span style={{ display: 'grid' }}>
      <span>{time(order.through, 'weekday-time')}</span>
      {late > 0 ? (
        <Mark mark="◆" tone="hands" isSmall>
          {t('late by {time}', { time: inHours(late) })}
        </Mark>
      ) : (
        <span className="muted small">{t('due {when}', { when: time(order.due, 'weekday-time') })}</span>
      )}
    </span>
  );
}
