import type { ShelfPacket } from '@saltflat/contract';
import { formatQuantity } from '@saltflat/core/units';
import { useMemo } from 'react';
import { When } from '../../units/Written.tsx';
import { useDates, useUnits } from '../../units/writingSlice.ts';
import { DataTable, Mark, Row, TwoLines } from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { AGE_MARKS, CURE_WORDS, ORIGIN_WORDS, PEEL_WORDS, ageOfPacket, keptOf } from './shelfWords.ts';

interface Props {
  packets: readonly ShelfPacket[];
  selectedId: string | null;
  search: string;
  nowMs: number;
  /** A small picture of a packet’s art. */
  thumbOf: (packet: ShelfPacket) => React.ReactNode;
  onOpen: (id: string) => void;
}

/** What lies on the shelf, packet by packet; the oldest of each kind first. */
export function ShelfTable({ packets, selectedId, search, nowMs, thumbOf, onOpen }: Props) {
  const units = useUnits();
  const dates = useDates();
  const columns = useMemo(
    (): TableColumn<ShelfPacket>[] => [
      {
        key: 'code',
        title: t('Packet'),
        isNoWrap: true,
        cell: ({ code }) => <strong className="code">{code}</strong>,
        plain: ({ code }) => code,
        width: 72,
      },
      {
        key: 'what',
        title: t('Transfer'),
        cell: (packet) => (
          <Row gap={10} isOneLine>
            {thumbOf(packet)}
            <TwoLines>
              <span>{packet.name}</span>
              <span className="muted small">
                {t('{width} wide', { width: formatQuantity(packet.widthMm, 'length', units) })}
              </span>
            </TwoLines>
          </Row>
        ),
        plain: ({ name, artwork }) => `${name}, ${artwork}`,
      },
      {
        key: 'made',
        title: t('Made or came'),
        isNoWrap: true,
        cell: (packet) => {
          const { state } = ageOfPacket(packet, nowMs);
          const { mark, tone, word } = AGE_MARKS[state];
          return (
            <TwoLines>
              <When at={packet.madeAt} as="date" />
              <Mark mark={mark} tone={tone} isSmall>
                {word}
              </Mark>
            </TwoLines>
          );
        },
        plain: ({ madeAt }) => dates(madeAt, 'date'),
        isSortable: false,
        width: 132,
      },
      {
        key: 'cure',
        title: t('Powder, peel'),
        isWideOnly: true,
        cell: ({ cure, instructions }) => (
          <TwoLines>
            <span>{CURE_WORDS[cure]}</span>
            <span className="muted small">{t('peel {how}', { how: PEEL_WORDS[instructions.peel] })}</span>
          </TwoLines>
        ),
        plain: ({ cure, instructions }) => `${CURE_WORDS[cure]}, ${PEEL_WORDS[instructions.peel]}`,
        width: 120,
      },
      {
        key: 'origin',
        title: t('From'),
        isHiddenAtFirst: true,
        cell: ({ origin }) => ORIGIN_WORDS[origin],
      },
      {
        key: 'left',
        title: t('Left'),
        isNumber: true,
        isWideOnly: true,
        cell: ({ left }) => left,
        width: 64,
      },
      {
        key: 'kept',
        title: t('Kept'),
        isNumber: true,
        isWideOnly: true,
        cell: (packet) => keptOf(packet),
        plain: (packet) => keptOf(packet),
        width: 68,
      },
      {
        key: 'free',
        title: t('Free'),
        isNumber: true,
        cell: ({ free }) => <strong>{free}</strong>,
        plain: ({ free }) => free,
        width: 64,
      },
    ],
    [units, dates, nowMs, thumbOf],
  );
  return (
    <DataTable
      name="shelf"
      label={t('Packets on the shelf')}
      columns={columns}
      rows={packets}
      keyOf={({ id }) => id}
      selectedKey={selectedId}
      search={search}
      onOpen={onOpen}
      says={t('{packets} packets, {free} transfers free', {
        packets: packets.length,
        free: packets.reduce((sum, { free }) => sum + Math.max(0, free), 0),
      })}
    />
  );
}
