import type { ShelfLine, ShelfMoveInput, ShelfPacket } from '@saltflat/contract';
import { useCallback, useDeferredValue, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { serverNow } from '../api/serverClock.ts';
import {
  useEnterBoughtMutation,
  useEnterPacketMutation,
  useMovePacketMutation,
  useShelfPacketQuery,
  useShelfQuery,
  useTakeOffShelfMutation,
} from '../api/shelfApi.ts';
import { useFoundQuery } from '../features/find/index.ts';
import { ArtThumb, fromLocalField, toLocalField } from '../features/orders/index.ts';
import { EnterDialog, PacketView, RunningShort, ShelfTable } from '../features/shelf/index.ts';
import { useSignature } from '../person/personSlice.ts';
import {
  Button,
  CheckField,
  Empty,
  Failed,
  FillSplit,
  Loading,
  Note,
  PageHead,
  Panel,
  Scroll,
  SearchField,
  TOKENS,
  styled,
  useIsNarrow,
  useNow,
} from '../ui/index.ts';
import { t } from '../words/index.ts';

/** px: one thing at a time below it. */
const NARROW = 1000;
const MINUTE_MS = 60_000;

/** Transfers that lie ready: how many, how old, how they are pressed, for whom they are kept. */
export function ShelfPage() {
  const { packetId = null } = useParams();
  const [isAll, setIsAll] = useState(false);
  const [search, setSearch] = useState('');
  const [isEntering, setIsEntering] = useState(false);
  const { data, error, refetch } = useShelfQuery({ all: isAll });
  const navigate = useNavigate();
  const isNarrow = useIsNarrow(NARROW);
  const nowMs = useNow(serverNow, MINUTE_MS);
  const thumbOf = useCallback(
    ({ artworkId, artwork }: ShelfPacket) => (
      <ArtThumb artworkId={artworkId} colourHex={TOKENS.muted} size={36} alt={artwork} />
    ),
    [],
  );
  if (error)
    return (
      <Failed title={t('The shelf cannot be shown')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!data) return <Loading what={t('the shelf')} />;
  const { packets, isMore } = data;
  const shownId = packetId ?? (isNarrow ? null : (packets[0]?.id ?? null));
  const ids = packets.slice(0, 100).map(({ id }) => id);
  return (
    <>
      <PageHead title={t('Shelf')} says={t('Transfers that lie ready, the oldest of each kind first')}>
        <SearchField
          label={t('Search the shelf')}
          placeholder={t('Packet, art, kind')}
          value={search}
          onChange={setSearch}
        />
        <CheckField label={t('Empty ones too')} isChecked={isAll} onChange={setIsAll} />
        <Button to="/film">{t('To the film')}</Button>
        {ids.length > 0 && (
          <Button download={`/api/v1/shelf/labels.pdf?packets=${ids.join(',')}`}>
            {t('All labels (PDF)')}
          </Button>
        )}
        <Button look="primary" onClick={() => setIsEntering(true)}>
          {t('Enter transfers')}
        </Button>
      </PageHead>
      {isMore && (
        <Note tone="info">{t('More packets lie there than are listed: use the oldest up first.')}</Note>
      )}
      {packets.length === 0 ? (
        <Empty isPage title={t('Nothing lies on the shelf')}>
          {t(
            'What a line for stock makes comes here by itself as it is found good. What was bought, or lay there before, is entered by hand.',
          )}
        </Empty>
      ) : isNarrow && shownId !== null ? (
        <>
          <div>
            <Button size="small" to="/film/shelf">
              {t('Back to the list')}
            </Button>
          </div>
          <Packet key={shownId} id={shownId} nowMs={nowMs} />
        </>
      ) : (
        <FillSplit columns="minmax(0, 1fr) minmax(400px, 36%)">
          <Shelved>
            <RunningShort onOrdered={(id) => void navigate(`/orders/${id}`)} />
            <Panel as="div">
              <ShelfTable
                packets={packets}
                selectedId={shownId}
                search={search}
                nowMs={nowMs}
                thumbOf={thumbOf}
                onOpen={(id) => void navigate(`/film/shelf/${id}`)}
              />
            </Panel>
          </Shelved>
          {!isNarrow && (
            <Scroll tabIndex={0}>
              {shownId !== null && <Packet key={shownId} id={shownId} nowMs={nowMs} />}
            </Scroll>
          )}
        </FillSplit>
      )}
      {isEntering && (
        <Entering
          onClose={() => setIsEntering(false)}
          onEntered={(id) => {
            setIsEntering(false);
            void navigate(`/film/shelf/${id}`);
          }}
        />
      )}
    </>
  );
}

const Shelved = styled('div')({
  display: 'grid',
  gridTemplateRows: 'auto minmax(0, 1fr)',
  gap: 12,
  minHeight: 0,
  '& > :only-child': { gridRow: '1 / -1' },
});

function Packet({ id, nowMs }: { id: string; nowMs: number }) {
  const { data, error, refetch } = useShelfPacketQuery(id);
  const [move] = useMovePacketMutation();
  const [takeOff] = useTakeOffShelfMutation();
  const by = useSignature();
  if (error)
    return (
      <Failed title={t('This packet cannot be shown')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!data) return <Loading what={t('the packet')} />;
  const onMove = (own: ShelfMoveInput) => move({ id, ...own });
  const onInstead = async ({ lineId, print }: ShelfLine, pieces: number) => {
    const kept = await onMove({ kind: 'reserved', pieces, lineId, why: '', by });
    return kept.error === undefined ? takeOff({ lineId, print }) : kept;
  };
  return <PacketView whole={data} nowMs={nowMs} by={by} onMove={onMove} onInstead={onInstead} />;
}

function Entering({ onClose, onEntered }: { onClose: () => void; onEntered: (id: string) => void }) {
  const { data: catalogue } = useCatalogueQuery();
  const [enter] = useEnterPacketMutation();
  const [enterBought] = useEnterBoughtMutation();
  const [sought, setSought] = useState('');
  const text = useDeferredValue(sought.trim());
  const { data: found } = useFoundQuery({ text }, { skip: text.length < 2 });
  const by = useSignature();
  if (!catalogue) return null;
  return (
    <EnterDialog
      materials={catalogue.materials}
      by={by}
      today={toLocalField(new Date(serverNow()).toISOString())}
      instantOf={fromLocalField}
      artworks={[...new Set(found?.artworks.map(({ name }) => name) ?? [])]}
      onSeek={setSought}
      onEnter={enter}
      onEnterBought={enterBought}
      onEntered={onEntered}
      onClose={onClose}
    />
  );
}
