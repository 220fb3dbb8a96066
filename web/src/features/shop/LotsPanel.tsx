import type { Lot, Material } from '@saltflat/contract';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { usePerson } from '../../person/personSlice.ts';
import { dayAndTime } from '../../ui/fileWords.ts';
import { Loading, Notice } from '../../ui/Notice.tsx';
import { useLotsQuery, useOpenLotMutation } from './shopApi.ts';

/** Which bottle, roll or bag of each material is in use: what is made from now on is known by it. */
export function LotsPanel({ materials }: { materials: readonly Pick<Material, 'id' | 'name' | 'kind'>[] }) {
  const { data: lots, error, refetch } = useLotsQuery();
  if (error)
    return (
      <Notice title="The lots cannot be fetched" onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Notice>
    );
  if (!lots) return <Loading what="the lots" />;
  return (
    <section className="panel" aria-label="Lots in use">
      <header>
        <h2>Lots in use</h2>
        <span className="muted small">
          Say when another bottle, roll or bag is begun: the ledger knows what each piece was made with.
        </span>
      </header>
      <table className="dense">
        <thead>
          <tr>
            <th>Material</th>
            <th>Lot in use</th>
            <th>Since</th>
            <th>Begin another</th>
          </tr>
        </thead>
        <tbody>
          {materials.filter(isUsedUp).map((material) => (
            <LotRow
              key={material.id}
              material={material}
              lots={lots.filter(({ materialId }) => materialId === material.id)}
            />
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Cover sheets serve again and again: nothing of them goes into a piece. */
const isUsedUp = ({ kind }: Pick<Material, 'kind'>): boolean => kind !== 'cover-sheet';

function LotRow({ material, lots }: { material: Pick<Material, 'id' | 'name' | 'kind'>; lots: Lot[] }) {
  const [open, { isLoading, error }] = useOpenLotMutation();
  const [lot, setLot] = useState('');
  const by = usePerson().trim() || 'not named';
  const [current] = lots;
  const send = async (): Promise<void> => {
    const answer = await open({ materialId: material.id, lot: lot.trim(), by });
    if (!answer.error) setLot('');
  };
  return (
    <tr>
      <td>
        {material.name} <span className="muted small">{material.kind}</span>
      </td>
      <td className="nowrap">
        {current ? <strong>{current.lot}</strong> : <span className="muted">not said</span>}
      </td>
      <td className="muted small nowrap">{current && `${dayAndTime(current.openedAt)}, ${current.by}`}</td>
      <td>
        <form
          className="row"
          style={{ gap: 8, flexWrap: 'nowrap' }}
          onSubmit={(event) => {
            event.preventDefault();
            if (lot.trim() !== '') void send();
          }}
        >
          <TextField
            size="small"
            label={`Lot of ${material.name}`}
            value={lot}
            error={error !== undefined}
            helperText={error ? problemMessage(error) : undefined}
            onChange={(event) => setLot(event.target.value)}
          />
          <Button type="submit" variant="outlined" size="small" disabled={isLoading || lot.trim() === ''}>
            Begin it
          </Button>
        </form>
      </td>
    </tr>
  );
}
