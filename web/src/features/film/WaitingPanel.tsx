import type { WaitingTransfers } from '@saltflat/contract';
import { countOf, nameOf } from '@saltflat/contract/filmJob';
import { expectedLoss, sparesFor } from '@saltflat/core/learn';
import type { Spoilage } from '@saltflat/core/learn';
import { FAULTS } from '@saltflat/core/run';
import { formatQuantity } from '@saltflat/core/units';
import { useDates, useMoney, useUnits } from '../../units/writingSlice.ts';
import { Button, CheckField, Mark, Panel, Row, Rows, Stack, styled } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { wantedOf } from './copies.ts';

interface Props {
  waiting: readonly WaitingTransfers[];
  chosen: readonly string[];
  first: readonly string[];
  /** By name: printed beyond what its line wants. */
  more: Readonly<Record<string, number>>;
  spoilage: Spoilage;
  onChoose: (chosen: string[], first: string[]) => void;
  onMore: (owner: WaitingTransfers, more: number) => void;
}

const without = (list: readonly string[], name: string): string[] => list.filter((own) => own !== name);
const withOrWithout = (list: readonly string[], name: string, isIn: boolean): string[] =>
  isIn ? [...without(list, name), name] : without(list, name);

/** What waits for this film, soonest due first: what goes on it, and what of that on the first sheets. */
export function WaitingPanel({ waiting, chosen, first, more, spoilage, onChoose, onMore }: Props) {
  const units = useUnits();
  const dates = useDates();
  const isNone = !waiting.some((own) => chosen.includes(nameOf(own)));
  return (
    <Panel
      title={t('Waiting for film')}
      actions={
        <Button
          size="small"
          onClick={() => onChoose(isNone ? waiting.map(nameOf) : [], isNone ? [...first] : [])}
        >
          {isNone ? t('Choose all') : t('Choose none')}
        </Button>
      }
    >
      <Rows>
        {waiting.map((own) => {
          const name = nameOf(own);
          const isChosen = chosen.includes(name);
          const [size] = own.sizes;
          return (
            <Line key={name}>
              <CheckField
                label={t('{code} goes on this film', { code: own.code })}
                isNameHidden
                isChecked={isChosen}
                onChange={(isOn) =>
                  onChoose(withOrWithout(chosen, name, isOn), isOn ? [...first] : without(first, name))
                }
              />
              <Stack gap={2}>
                <Row gap={8}>
                  <strong className="code">{own.code}</strong>
                  <span>{own.customer}</span>
                </Row>
                <span className="muted small">
                  {t('{count} × {size}, due {due}', {
                    count: countOf(own),
                    size:
                      own.sizes.length > 1
                        ? t('{n} sizes', { n: own.sizes.length })
                        : `${formatQuantity(size?.widthMm ?? 0, 'length', units)} × ${formatQuantity(size?.heightMm ?? 0, 'length', units)}`,
                    due: dates(own.dueAt, 'day'),
                  })}
                  {own.spares > 0 && `, ${t('{n} to spare', { n: own.spares })}`}
                </span>
                {own.again && <Again again={own.again} />}
                {isChosen && (
                  <Row gap={8} justify="space-between" isOneLine>
                    <CheckField
                      label={t('First sheets')}
                      isChecked={first.includes(name)}
                      onChange={(isOn) => onChoose([...chosen], withOrWithout(first, name, isOn))}
                    />
                    {!own.again && (
                      <Spares
                        owner={own}
                        more={more[name] ?? 0}
                        spoilage={spoilage}
                        onMore={(count) => onMore(own, count)}
                      />
                    )}
                  </Row>
                )}
              </Stack>
            </Line>
          );
        })}
      </Rows>
    </Panel>
  );
}

interface SparesProps {
  owner: WaitingTransfers;
  more: number;
  spoilage: Spoilage;
  onMore: (more: number) => void;
}

/** Spares as this shop loses transfers: offered where there are fewer, and taken off again. */
function Spares({ owner, more, spoilage, onMore }: SparesProps) {
  const wished = owner.isForShelf ? 0 : sparesFor(wantedOf(owner), spoilage) - owner.spares;
  if (wished <= 0 && more === 0) return null;
  const share = Math.round(1000 * expectedLoss(spoilage)) / 10;
  return (
    <Row gap={8}>
      {wished > 0 && (
        <Button
          size="small"
          look="quiet"
          title={
            spoilage.made === 0
              ? t(
                  'Nothing was counted here yet: {share} of 100 lost is assumed. So many let nine lines in ten get by.',
                  { share },
                )
              : t(
                  'Of {made} transfers printed here {lost} were lost: {share} of 100 are expected. So many let nine lines in ten get by.',
                  { ...spoilage, share },
                )
          }
          onClick={() => onMore(more + wished)}
        >
          {t('Add {n} spare', { n: wished })}
        </Button>
      )}
      {more > 0 && (
        <Button size="small" look="quiet" onClick={() => onMore(0)}>
          {t('Take {n} off', { n: more })}
        </Button>
      )}
    </Row>
  );
}

/** Why it is printed again, and what that costs. */
function Again({ again: { faults, cents } }: { again: NonNullable<WaitingTransfers['again']> }) {
  const money = useMoney();
  return (
    <Mark mark="◆" tone="hands" isSmall>
      {t('printed again: {why}; {cost} more', {
        why:
          faults.length > 0
            ? faults.map((fault) => t(FAULTS[fault]?.name ?? fault)).join(', ')
            : t('nobody said why'),
        cost: money(cents),
      })}
    </Mark>
  );
}

const Line = styled('li')({
  display: 'grid',
  gridTemplateColumns: 'auto minmax(0, 1fr)',
  alignItems: 'start',
  gap: 4,
  padding: '8px 12px 8px 6px',
});
