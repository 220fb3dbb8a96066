import { t } from '../../words/index.ts';
import { When } from '../../units/Written.tsx';
import type { Lot, LotInput, Material } from '@saltflat/contract';
import { useMemo } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { FilledText, compiled, useFilled } from '../../form/index.ts';
import { useSignature } from '../../person/personSlice.ts';
import { useLotsQuery, useOpenLotMutation } from '../../api/lotsApi.ts';
import { Button, Failed, Form, Loading, Panel, Refusal, SimpleTable } from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';

/** Which bottle, roll or bag of each material is in use: what is made from now on is known by it. */
export function LotsPanel({ materials }: { materials: readonly Pick<Material, 'id' | 'name' | 'kind'>[] }) {
  const { data: lots, error, refetch } = useLotsQuery();
  if (error)
    return (
      <Failed title={t('The lots cannot be fetched')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!lots) return <Loading what={t('the lots')} />;
  return (
    <Panel
      title={t('Lots in use')}
      says={t(
        'Say when another bottle, roll or bag is begun: the ledger knows what each piece was made with.',
      )}
    >
      <SimpleTable
        label={t('Lots in use')}
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
    title: t('Material'),
    cell: ({ material }) => (
      <>
        {material.name} <span className="muted small">{material.kind}</span>
      </>
    ),
  },
  {
    key: 'lot',
    title: t('Lot in use'),
    isNoWrap: true,
    cell: ({ current }) =>
      current ? <strong>{current.lot}</strong> : <span className="muted">{t('not said')}</span>,
  },
  {
    key: 'since',
    title: t('Since'),
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
  { key: 'next', title: t('Begin another'), cell: ({ material }) => <NextLot material={material} /> },
];

/** Cover sheets serve again and again: nothing of them goes into a piece. */
const isUsedUp = ({ kind }: Pick<Material, 'kind'>): boolean => kind !== 'cover-sheet';

function NextLot({ material }: { material: Listed }) {
  const [open] = useOpenLotMutation();
  const by = useSignature();
  const filling = useFilled<{ lot: string }, LotInput, unknown>({
    filled: useMemo(
      () => ({
        check: compiled('words', 'lot'),
        documentOf: ({ lot }: { lot: string }) => ({ lot: lot.trim(), by }),
      }),
      [by],
    ),
    values: { lot: '' },
    send: (own) => open({ materialId: material.id, ...own }),
    onSent: () => filling.form.reset(),
  });
  return (
    <Form isRow gap={8} onSubmit={filling.submit}>
      <FilledText
        filling={filling}
        name="lot"
        label={t('Lot of {name}', { name: material.name })}
        width={260}
      />
      <Button type="submit" isBusy={filling.isSending}>
        {t('Begin it')}
      </Button>
      <Refusal words={filling.refusal} />
    </Form>
  );
}
