import type { WaitingTransfers } from '@saltflat/contract';
import { formatQuantity } from '@saltflat/core/units';
import { useUnits } from '../../units/writingSlice.ts';
import { Button, Note } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { whyNoMore } from './copies.ts';
import type { Room } from './useRoom.ts';

interface Props {
  itemId: string;
  owner: WaitingTransfers;
  /** Copies beyond what is wanted. */
  more: number;
  isLocked: boolean;
  /** None of its print is turned. */
  isUpright: boolean;
  isSwapping: boolean;
  isLooking: boolean;
  onTurn: () => void;
  onLock: () => void;
  onUpright: () => void;
  onSwap: () => void;
  onMore: () => void;
  onLess: () => void;
}

/** What can be done with the piece that is chosen. */
export function PieceTools({
  itemId,
  owner,
  more,
  isLocked,
  isUpright,
  isSwapping,
  isLooking,
  ...on
}: Props) {
  const why = whyNoMore(owner, itemId);
  return (
    <>
      <Button size="small" disabled={isUpright || isLocked} onClick={on.onTurn}>
        {t('Turn')}
      </Button>
      <Button
        size="small"
        isPressed={isUpright}
        title={t('Of {code} nothing is turned on this film.', { code: owner.code })}
        onClick={on.onUpright}
      >
        {t('Upright')}
      </Button>
      <Button size="small" onClick={on.onLock}>
        {isLocked ? t('Unlock') : t('Lock')}
      </Button>
      {!isLocked && (
        <Button size="small" isPressed={isSwapping} onClick={on.onSwap}>
          {t('Swap')}
        </Button>
      )}
      <Button
        size="small"
        disabled={why !== null || isLooking}
        isBusy={isLooking}
        title={
          why === null
            ? t('One more of it to spare, where there is room between the others.')
            : why === 'again'
              ? t('It is printed again for what was spoiled: exactly that, no spares.')
              : t('Spares are of the largest size, so that they serve any.')
        }
        onClick={on.onMore}
      >
        {t('Add one')}
      </Button>
      {more > 0 && why === null && (
        <Button
          size="small"
          title={t('One fewer to spare: this copy comes off the film.')}
          onClick={on.onLess}
        >
          {t('Take off')}
        </Button>
      )}
    </>
  );
}

/** What came of looking for room. */
export function RoomNote({ room, onTake, onLeave }: { room: Room; onTake: () => void; onLeave: () => void }) {
  const units = useUnits();
  if (room.status === 'failed')
    return (
      <Note tone="alarm">
        {t('No room was found for one more.')} {room.why}
      </Note>
    );
  if (room.status !== 'longer') return null;
  return (
    <Note
      tone="info"
      role="status"
      actions={
        <>
          <Button size="small" onClick={onTake}>
            {t('Add it all the same')}
          </Button>
          <Button size="small" onClick={onLeave}>
            {t('Leave it')}
          </Button>
        </>
      }
    >
      {room.bySheets > 0
        ? t('No gap takes one more: it would begin another sheet.')
        : t('No gap takes one more: the film would get {length} longer.', {
            length: formatQuantity(Math.ceil(room.byMm), 'length', units),
          })}
    </Note>
  );
}
