import type { ShelfPacket, ShelfPacketWhole } from '@saltflat/contract';
import { ageOf } from '@saltflat/core/shelf';
import type { PacketAge } from '@saltflat/core/shelf';
import { t } from '../../words/t.ts';

export const ORIGIN_WORDS: Record<ShelfPacket['origin'], string> = {
  made: t('made here'),
  bought: t('bought in'),
  found: t('entered by hand'),
};

export const CURE_WORDS: Record<ShelfPacket['cure'], string> = {
  full: t('fused'),
  light: t('lightly cured'),
};

export const PEEL_WORDS: Record<ShelfPacket['instructions']['peel'], string> = {
  hot: t('hot'),
  warm: t('warm'),
  cold: t('cold'),
};

export const MOVE_WORDS: Record<ShelfPacketWhole['history'][number]['kind'], string> = {
  reserved: t('kept for'),
  freed: t('given free again'),
  sold: t('sold as transfers'),
  thrown: t('thrown away'),
  counted: t('counted anew'),
  floor: t('on the floor for'),
  taken: t('taken for'),
};

/** What is known of whose image it is, to somebody who sells it as a transfer; `null` where all is well. */
export const rightsCaution = (rights: ShelfPacket['rights']): string | null => RIGHTS_CAUTIONS[rights];

const RIGHTS_CAUTIONS: Record<ShelfPacket['rights'], string | null> = {
  own: null,
  licensed: null,
  unasked: t('Nobody has asked yet whose image it is: ask before it is sold as a transfer.'),
  'customer-assures': t(
    'The customer assures they may have it printed: sold to others it is another matter.',
  ),
  refused: t('It is not to be sold as a transfer.'),
};

/** The age of a packet, by the server’s clock. */
export const ageOfPacket = (
  { madeAt, cure, keepsDays }: Pick<ShelfPacket, 'madeAt' | 'cure' | 'keepsDays'>,
  nowMs: number,
): PacketAge => ageOf({ madeMs: Date.parse(madeAt), cure, keepsDays }, nowMs);

export const AGE_MARKS = {
  fresh: { mark: '●', tone: 'calm', word: t('fresh') },
  soon: { mark: '◐', tone: 'go', word: t('use next') },
  past: { mark: '◆', tone: 'hands', word: t('past its time') },
} as const satisfies Record<PacketAge['state'], object>;

export const keptOf = ({ reserved, onFloor }: Pick<ShelfPacket, 'reserved' | 'onFloor'>): number =>
  onFloor + reserved.reduce((sum, { pieces }) => sum + pieces, 0);
