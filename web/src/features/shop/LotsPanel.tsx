import { When } from '../../units/Written.tsx';
import type { Lot, Material } from '@saltflat/contract';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { usePerson } from '../../person/personSlice.ts';
import { useLotsQuery, useOpenLotMutation } from './shopApi.ts';
import { Button, Failed, Form, Loading, Panel, SimpleTable, TextField } from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';

/** Which bottle, roll or bag of each material is in use: what is made from now on is known by it. */
export function LotsPanel({ materials }: { materials: readonly Pick<Material, 'id' | 'name' | 'kind'>[] }) {
  const { data: lots, error, refetch } = useLotsQuery();
  if (error)
    return (
      <Failed title="The lots cannot be fetched" onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!lots) return <Loading what="the lots" />;
  return (
    <Panel
      title="Lots in use"
      says="Say when another bottle, roll or bag is begun: the ledger knows what each piece was made with."
    >
      <SimpleTable
        label="Lots in use"
        columns={COLUMNS}
        rows={materials.filter(isUsedUp).map((material) => ({
          material,
          current: lots.find(({ materialId }) => materialId === material.id),
        }))}
        keyOf={({ material }) => material.id}
      />
    </Panel>
  );
}

type Listed = Pick<Material, 'id' | 'name' | 'kind'>;
interface LotRow {
  material: Listed;
  current: Lot | undefined;
}

const COLUMNS: TableColumn<LotRow>[] = [
  {
    key: 'material',
    title: 'Material',
    cell: ({ material }) => (
      <>
        {material.name} <span className="muted small">{material.kind}</span>
      </>
    ),
  },
  {
    key: 'lot',
    title: 'Lot in use',
    isNoWrap: true,
    cell: ({ current }) =>
      current ? <strong>{current.lot}</strong> : <span className="muted">not said</span>,
  },
  {
    key: 'since',
    title: 'Since',
    isNoWrap: true,
    cell: ({ current }) => (
      <span className="muted small">
        {current && (
          <>
            <When at={current.openedAt} as="weekday-time" />, {current.by}
          </>
        )}
      </span>
    ),
  },
  { key: 'next', title: 'Begin another', cell: ({ material }) => <NextLot material={material} /> },
];

/** Cover sheets serve again and again: nothing of them goes into a piece. */
const isUsedUp = ({ kind }: Pick<Material, 'kind'>): boolean => kind !== 'cover-sheet';

function NextLot({ material }: { material: Listed }) {
  const [open, { isLoading, error }] = useOpenLotMutation();
  const [lot, setLot] = useState('');
  const by = usePerson().trim() || 'not named';
  const send = async (): Promise<void> => {
    if (lot.trim() === '') return;
    const answer = await open({ materialId: material.id, lot: lot.trim(), by });
    if (!answer.error) setLot('');
  };
  return (
    <Form isRow gap={8} onSubmit={() => void send()}>
      <TextField
        label={`Lot of ${material.name}`}
        width={260}
        value={lot}
        problem={error ? problemMessage(error) : undefined}
        onChange={setLot}
      />
      <Button type="submit" isBusy={isLoading} disabled={lot.trim() === ''}>
        Begin it
      </Button>
    </Form>
  );
}
