import { rich, t } from '../words/index.ts';
import type { Catalogue, ShopChanged } from '@saltflat/contract';
import { useMemo, useState } from 'react';
import { useMatch, useNavigate, useParams } from 'react-router';
import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import {
  BackupsPanel,
  Followed,
  ImportPanel,
  LotsPanel,
  MethodsPanel,
  RatesPanel,
  RecordEditor,
  RecordTable,
  UpkeepPanel,
  WritingPanel,
  rowsOf,
  standInsOf,
  usePutFirstMutation,
  useRetireRecordMutation,
} from '../features/shop/index.ts';
import type { RecordList } from '../features/shop/index.ts';
import { DemoPart } from './DemoPart.tsx';
import { useUnits } from '../units/writingSlice.ts';
import {
  Button,
  Failed,
  FillSplit,
  Grow,
  Loading,
  PageHead,
  Panel,
  Refusal,
  Row,
  RowLink,
  Rows,
  Scroll,
  SearchField,
  Split,
  Stack,
} from '../ui/index.ts';

const PARTS = [
  ['blanks', t('Blanks')],
  ['materials', t('Materials')],
  ['machines', t('Machines')],
  ['upkeep', t('Upkeep')],
  ['lots', t('Lots in use')],
  ['methods', t('House methods')],
  ['prices', t('Prices')],
  ['writing', t('Units and dates')],
  ['backups', t('Backups')],
  ['demo', t('Demo')],
] as const;

const isList = (part: string): part is RecordList => ['blanks', 'materials', 'machines'].includes(part);

/** What the shop works with and how: every route is planned from here. */
export function ShopPage() {
  const { part = 'blanks', recordId } = useParams();
  const { data, error, refetch } = useCatalogueQuery();
  if (error)
    return (
      <Failed title={t('The set-up cannot be shown')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!data) return <Loading what={t('the set-up')} />;
  return (
    <>
      <PageHead
        title={t('Shop')}
        says={t('What is set up here. A change re-plans the routes that were not run yet, and says how.')}
      />
      {isList(part) ? (
        <Records key={part} list={part} recordId={recordId ?? null} catalogue={data} />
      ) : (
        <Split columns="176px minmax(0, 1fr)" below={1000}>
          <PartIndex catalogue={data} />
          <Stack>
            {part === 'methods' && (
              <>
                <MethodsPanel house={data.house.document} version={data.house.version} />
                <ImportPanel list="methods" />
              </>
            )}
            {part === 'upkeep' && <UpkeepPanel />}
            {part === 'lots' && <LotsPanel materials={data.materials} />}
            {part === 'prices' && <RatesPanel rates={data.rates.document} version={data.rates.version} />}
            {part === 'writing' && (
              <WritingPanel writing={data.writing.document} version={data.writing.version} />
            )}
            {part === 'backups' && <BackupsPanel />}
            {part === 'demo' && <DemoPart />}
          </Stack>
        </Split>
      )}
    </>
  );
}

function PartIndex({ catalogue }: { catalogue: Catalogue }) {
  const counts: Record<string, number> = {
    blanks: catalogue.styles.length,
    materials: catalogue.materials.length,
    machines: catalogue.machines.length,
  };
  return (
    <Panel as="div">
      <nav aria-label={t('Parts of the set-up')}>
        <Rows>
          {PARTS.map(([part, name]) => (
            <li key={part}>
              <PartLink to={`/shop/${part}`}>
                <span>{name}</span>
                <span className="muted small">{counts[part]}</span>
              </PartLink>
            </li>
          ))}
        </Rows>
      </nav>
    </Panel>
  );
}

const PartLink = ({ to, children }: { to: string; children: React.ReactNode }) => (
  <RowLink
    to={to}
    aria-current={useMatch(`${to}/*`) ? 'page' : undefined}
    style={{ justifyContent: 'space-between', paddingInline: 12 }}
  >
    {children}
  </RowLink>
);

interface Told {
  words: string;
  changed: ShopChanged;
  /** Puts back what was taken out of use. */
  undo: (() => void) | null;
}

function Records({
  list,
  recordId,
  catalogue,
}: {
  list: RecordList;
  recordId: string | null;
  catalogue: Catalogue;
}) {
  const navigate = useNavigate();
  const system = useUnits();
  const [search, setSearch] = useState('');
  const [told, setTold] = useState<Told | null>(null);
  const [refusal, setRefusal] = useState('');
  const [retire] = useRetireRecordMutation();
  const [putFirst] = usePutFirstMutation();
  const rows = useMemo(() => rowsOf(list, catalogue), [list, catalogue]);
  const row = rows.find(({ id }) => id === recordId) ?? null;
  const isEditing = recordId === 'new' || row !== null;
  const open = (id: string | null): void =>
    void navigate(id === null ? `/shop/${list}` : `/shop/${list}/${id}`);

  const tell = (
    answer: { data?: ShopChanged; error?: unknown },
    words: string,
    undo: Told['undo'] = null,
  ): void => {
    setRefusal(answer.error ? problemMessage(answer.error) : '');
    if (answer.data) setTold({ words, changed: answer.data, undo });
  };
  const takeOut = async (): Promise<void> => {
    if (!row) return;
    const { id, version, name } = row;
    const answer = await retire({ list, id, version, isRetired: true });
    tell(answer, t('“{name}” is out of use', { name }), () => void putBack(id, version + 1, name));
    if (answer.data) open(null);
  };
  const putBack = async (id: string, version: number, name: string): Promise<void> =>
    tell(await retire({ list, id, version, isRetired: false }), t('“{name}” is back in use', { name }));
  const makeFirst = async (): Promise<void> => {
    if (!row || list === 'blanks') return;
    tell(
      await putFirst({ list, id: row.id }),
      t('“{name}” is used before the others of its use', { name: row.name }),
    );
  };
  const canBeFirst = row !== null && list !== 'blanks' && standInsOf(row, rows)[0]?.id !== row.id;

  return (
    <FillSplit columns={isEditing ? '176px minmax(250px, 1fr) minmax(0, 3fr)' : '176px minmax(0, 1fr)'}>
      <PartIndex catalogue={catalogue} />
      <Stack style={{ height: '100%' }}>
        <Row>
          <SearchField
            label={t('Search the {list}', { list })}
            placeholder={t('Search the {list}', { list })}
            value={search}
            onChange={setSearch}
          />
          <Grow />
          <Button look="primary" onClick={() => open('new')}>
            {rich('New {list}', { list: list.slice(0, -1) })}
          </Button>
        </Row>
        <Refusal words={refusal} />
        {told && (
          <>
            <Row role="status">
              <strong>{told.words}</strong>
              {told.undo && (
                <Button size="small" onClick={told.undo}>
                  {t('Undo')}
                </Button>
              )}
            </Row>
            <Followed changeId={told.changed.changeId} drafts={told.changed.drafts} />
          </>
        )}
        <Panel as="div" style={{ flex: 1, minHeight: 240 }}>
          <RecordTable
            list={list}
            rows={rows}
            picked={row?.id ?? null}
            search={search}
            isNarrow={isEditing}
            system={system}
            onPick={open}
          />
        </Panel>
        <ImportPanel list={list} />
      </Stack>
      {isEditing && (
        <Scroll>
          <RecordEditor
            key={recordId}
            list={list}
            row={row}
            onSaved={(changed, name) => {
              tell({ data: changed }, row ? `“${name}” is changed` : `“${name}” is added`);
              open(changed.id);
            }}
            onRetire={row ? () => void takeOut() : null}
            onPutFirst={canBeFirst ? () => void makeFirst() : null}
            onLeave={() => open(null)}
          />
        </Scroll>
      )}
    </FillSplit>
  );
}
