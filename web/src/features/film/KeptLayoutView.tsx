import type { FilmLayout } from '@saltflat/contract';
import { isSpare, nameOf, ownerOf, problemOfLayout, sheetInputOf } from '@saltflat/contract/filmJob';
import type { SheetOut } from '@saltflat/core/film';
import { formatQuantity } from '@saltflat/core/units';
import { useMemo, useState } from 'react';
import { useUnits } from '../../units/writingSlice.ts';
import { filmRacers } from '../../worker/filmClient.ts';
import { useAnswer } from '../../worker/useAnswer.ts';
import { FillSplit, Note, Panel, Progress, Row, Rows, Scroll, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { FilesPanel } from './FilesPanel.tsx';
import { SheetStrip } from './SheetStrip.tsx';
import { SheetView } from './SheetView.tsx';
import { Middle, SheetFrame } from './filmParts.ts';
import { laid } from './laid.ts';
import { useFilmArt } from './useFilmArt.ts';

interface Props {
  layout: FilmLayout;
  /** Its way to the floor, or where it is there. */
  floor: React.ReactNode;
}

/** A layout as it was kept: its sheets with all that is printed on them, whose they are, its files. */
export function KeptLayoutView({ layout, floor }: Props) {
  const { document } = layout;
  const { transfers, placements } = document;
  const [sheet, setSheet] = useState(0);
  const problem = useMemo(() => problemOfLayout(document), [document]);
  const read = useFilmArt(transfers, transfers.map(nameOf));
  const state = useMemo(
    () => laid(transfers, problem, { locked: [], art: read.art, placements }),
    [transfers, problem, read.art, placements],
  );
  const out = useSheetOut(layout, sheet);
  return (
    <FillSplit columns="minmax(240px, 300px) minmax(0, 1fr) minmax(260px, 320px)" below={1000}>
      <Scroll>
        <OnSheet layout={layout} sheet={sheet} />
      </Scroll>
      <Middle>
        {read.left > 0 && <Progress words={t('Reading the art, {n} to go', { n: read.left })} share={null} />}
        {read.why !== null && <Note tone="alarm">{read.why}</Note>}
        {out && <LeftOut out={out} />}
        <SheetFrame aria-label={t('The film')}>
          <SheetView
            problem={problem}
            sheet={sheet}
            heightMm={state.heightMm}
            cutMm={state.cutMm(sheet)}
            pieces={state.pieces.filter(({ own }) => own.sheet === sheet)}
            marks={out?.marks ?? null}
            selected={null}
            onSelect={() => undefined}
            onFocus={() => undefined}
            onMove={null}
          />
        </SheetFrame>
        <SheetStrip
          problem={problem}
          heightMm={state.heightMm}
          pieces={state.pieces}
          sheets={layout.sheets}
          shown={sheet}
          onShow={setSheet}
        />
      </Middle>
      <Scroll>
        <Stack gap={12}>
          {floor}
          <FilesPanel layout={layout} sheet={sheet} />
        </Stack>
      </Scroll>
    </FillSplit>
  );
}

/** What a sheet’s files are made of, worked out beside the page; of another sheet it is not shown. */
function useSheetOut({ code, document }: FilmLayout, sheet: number): SheetOut | null {
  const head = t('{code}, read through the film', { code: `${code}.${sheet + 1}` });
  const answer = useAnswer(async () => {
    const [reader] = filmRacers;
    if (!reader) throw new Error('no thread');
    return { sheet, out: await reader.ask('sheetOut', sheetInputOf(document, sheet, head)).answer };
  }, [document, sheet, head]);
  return answer?.sheet === sheet ? answer.out : null;
}

/** Marks that were wished and have no room. */
function LeftOut({ out: { marks } }: { out: SheetOut }) {
  return (
    <>
      {marks.uncoded.length > 0 && (
        <Note tone="caution">
          {t('{n} pieces have no room for their code beside them: mark them by hand.', {
            n: marks.uncoded.length,
          })}
        </Note>
      )}
      {marks.isHeadLeftOut && (
        <Note tone="caution">
          {t('The sheet has no room for its own words: look at the art itself for which way round it is.')}
        </Note>
      )}
    </>
  );
}

/** Whose transfers lie on a sheet. */
function OnSheet({ layout: { document, code }, sheet }: { layout: FilmLayout; sheet: number }) {
  const units = useUnits();
  const { transfers, placements } = document;
  const here = placements.filter((own) => own.sheet === sheet);
  const rows = transfers.flatMap((own) => {
    const found = here.flatMap((placement) => {
      const owner = ownerOf([own], placement);
      return owner ? [owner] : [];
    });
    const spares = found.filter(({ slot }) => isSpare(own, slot)).length;
    return found.length > 0 ? [{ own, count: found.length, spares }] : [];
  });
  return (
    <Panel title={t('On {code}, sheet {n}', { code, n: sheet + 1 })}>
      <Rows>
        {rows.map(({ own, count, spares }) => (
          <li key={nameOf(own)} style={{ padding: '8px 12px' }}>
            <Row gap={8} isOneLine>
              <strong className="mono">{own.code}</strong>
              <span style={{ flex: 1 }}>{t(own.place)}</span>
              <span className="mono">{count}</span>
            </Row>
            <div className="muted small">
              {own.customer}
              {', '}
              {own.sizes
                .map(
                  ({ widthMm, heightMm }) =>
                    `${formatQuantity(widthMm, 'length', units)} × ${formatQuantity(heightMm, 'length', units)}`,
                )
                .join(', ')}
              {spares > 0 && t(', {n} spare', { n: spares })}
            </div>
          </li>
        ))}
      </Rows>
    </Panel>
  );
}
