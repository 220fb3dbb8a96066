import type { Catalogue, ShopChanged } from '@saltflat/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { NavLink, useNavigate, useParams } from 'react-router';
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
  rowsOf,
  standInsOf,
  usePutFirstMutation,
  useRetireRecordMutation,
} from '../features/shop/index.ts';
import type { RecordList } from '../features/shop/index.ts';
import '../features/shop/shop.css';
import { Loading, Notice } from '../ui/Notice.tsx';
import { useUnits } from '../units/unitsSlice.ts';

const PARTS = [
  ['blanks', 'Blanks'],
  ['materials', 'Materials'],
  ['machines', 'Machines'],
  ['lots', 'Lots in use'],
  ['methods', 'House methods'],
  ['prices', 'Prices'],
  ['backups', 'Backups'],
] as const;

const isList = (part: string): part is RecordList => ['blanks', 'materials', 'machines'].includes(part);

/** What the shop works with and how: every route is planned from here. */
export function ShopPage() {
  const { part = 'blanks', recordId } = useParams();
  const { data, error } = useCatalogueQuery();
  if (error) return <Notice title="The set-up cannot be shown">{problemMessage(error)}</Notice>;
  if (!data) return <Loading what="the set-up" />;
  return (
    <>
      <div className="page-head">
        <h1>Shop</h1>
        <span className="muted">
          What is set up here. A change re-plans the routes that were not run yet, and says how.
        </span>
      </div>
      {isList(part) ? (
        <Records key={part} list={part} recordId={recordId ?? null} catalogue={data} />
      ) : (
        <div className="shop-split">
          <PartIndex catalogue={data} />
          <div className="stack">
            {part === 'methods' && (
              <>
                <MethodsPanel house={data.house.document} version={data.house.version} />
                <ImportPanel list="methods" />
              </>
            )}
            {part === 'lots' && <LotsPanel materials={data.materials} />}
            {part === 'prices' && <RatesPanel rates={data.rates.document} version={data.rates.version} />}
            {part === 'backups' && <BackupsPanel />}
          </div>
        </div>
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
    <nav className="panel shop-index" aria-label="Parts of the set-up">
      {PARTS.map(([part, name]) => (
        <NavLink key={part} to={`/shop/${part}`}>
          <span>{name}</span>
          <span className="muted small">{counts[part]}</span>
        </NavLink>
      ))}
    </nav>
  );
}

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
  const rows = rowsOf(list, catalogue);
  const wanted = search.trim().toLowerCase();
  const shown = rows.filter(({ name, kind, maker }) =>
    `${name} ${kind} ${maker}`.toLowerCase().includes(wanted),
  );
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
    tell(answer, `“${name}” is out of use`, () => void putBack(id, version + 1, name));
    if (answer.data) open(null);
  };
  const putBack = async (id: string, version: number, name: string): Promise<void> =>
    tell(await retire({ list, id, version, isRetired: false }), `“${name}” is back in use`);
  const makeFirst = async (): Promise<void> => {
    if (!row || list === 'blanks') return;
    tell(await putFirst({ list, id: row.id }), `“${row.name}” is used before the others of its use`);
  };
  const canBeFirst = row !== null && list !== 'blanks' && standInsOf(row, rows)[0]?.id !== row.id;

  return (
    <div className="shop-split" data-editing={isEditing}>
      <PartIndex catalogue={catalogue} />
      <div className="stack">
        <div className="row">
          <input
            type="search"
            className="search"
            aria-label={`Search the ${list}`}
            placeholder={`Search the ${list}`}
            value={search}
            onChange={(event) => setSearch(event.target.value)}
          />
          <span style={{ flex: 1 }} />
          <Button variant="contained" onClick={() => open('new')}>
            New {list.slice(0, -1)}
          </Button>
        </div>
        {refusal !== '' && (
          <p className="alarm" role="alert">
            {refusal}
          </p>
        )}
        {told && (
          <>
            <div className="row" role="status">
              <strong>{told.words}</strong>
              {told.undo && (
                <Button size="small" variant="outlined" onClick={told.undo}>
                  Undo
                </Button>
              )}
            </div>
            <Followed changeId={told.changed.changeId} drafts={told.changed.drafts} />
          </>
        )}
        <section className="panel shop-list" tabIndex={0} role="region" aria-label={`All ${list}`}>
          {shown.length === 0 ? (
            <div className="empty">
              <h2>{rows.length === 0 ? `No ${list} yet` : 'Nothing found'}</h2>
              <p>
                {rows.length === 0
                  ? `Add the first one: routes are planned from what is here.`
                  : 'Search for less, or add it.'}
              </p>
            </div>
          ) : (
            <RecordTable
              list={list}
              rows={shown}
              picked={row?.id ?? null}
              isNarrow={isEditing}
              system={system}
              onPick={open}
            />
          )}
        </section>
        <ImportPanel list={list} />
      </div>
      {isEditing && (
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
      )}
    </div>
  );
}
