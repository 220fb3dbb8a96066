import type { ShelfWish } from '@saltflat/contract';
import { Link } from 'react-router';
import { usePrintForShelfMutation, useShelfWishesQuery } from '../../api/shelfApi.ts';
import { useAttempt } from '../../api/useAttempt.ts';
import { Button, Mark, Panel, Refusal, Row, Rows, Stack, styled } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

interface Props {
  /** Only what is neither free nor on its way. */
  isMissingOnly?: boolean;
  /** An order that was taken in for the shelf. */
  onOrdered: (orderId: string) => void;
}

/** Transfers of which so many are to lie ready: how they stand, and one press to have more printed. */
export function RunningShort({ isMissingOnly = false, onOrdered }: Props) {
  const { data } = useShelfWishesQuery();
  const [print] = usePrintForShelfMutation();
  const attempt = useAttempt();
  const wishes = data?.wishes.filter(({ missing }) => !isMissingOnly || missing > 0) ?? [];
  if (wishes.length === 0) return null;
  return (
    <Panel title={t('Kept ready')}>
      <Rows>
        {wishes.map((wish) => (
          <Wish key={wish.materialId}>
            <Stack gap={2}>
              <Link to={`/shop/materials/${wish.materialId}`}>{wish.name}</Link>
              <Mark mark={wish.missing > 0 ? '◆' : '●'} tone={wish.missing > 0 ? 'hands' : 'calm'} isSmall>
                {standingWords(wish)}
              </Mark>
            </Stack>
            {wish.missing > 0 && (
              <More
                wish={wish}
                isBusy={attempt.isBusy(wish.materialId)}
                onPrint={() =>
                  void attempt.make(
                    wish.materialId,
                    () => print({ materialId: wish.materialId, pieces: wish.missing }),
                    ({ id }) => onOrdered(id),
                  )
                }
              />
            )}
            <Refusal {...attempt.refusal(wish.materialId)} />
          </Wish>
        ))}
      </Rows>
    </Panel>
  );
}

const standingWords = ({ free, wished, coming }: ShelfWish): string =>
  coming > 0
    ? t('{free} of {wished} free, {coming} being made', { free, wished, coming })
    : t('{free} of {wished} free', { free, wished });

interface MoreProps {
  wish: ShelfWish;
  isBusy: boolean;
  onPrint: () => void;
}

/** How more of it come: printed here, or bought. */
function More({ wish: { missing, like, supplier }, isBusy, onPrint }: MoreProps) {
  if (supplier)
    return (
      <span className="muted small">
        {t('{missing} short: order from {name}, {minimum} at least, {days} days', {
          missing,
          name: supplier.name,
          minimum: supplier.minimum,
          days: supplier.leadDays,
        })}
      </span>
    );
  if (!like)
    return (
      <span className="muted small">{t('{missing} short: none was printed here yet', { missing })}</span>
    );
  return (
    <Row gap={8}>
      <Button
        size="small"
        isBusy={isBusy}
        title={t('Takes in an order for the shelf, printed like {code}; it then waits for film.', {
          code: like.code,
        })}
        onClick={onPrint}
      >
        {t('Print {missing} for the shelf', { missing })}
      </Button>
    </Row>
  );
}

const Wish = styled('li')({
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'center',
  justifyContent: 'space-between',
  gap: '6px 12px',
  padding: '8px 12px',
});
