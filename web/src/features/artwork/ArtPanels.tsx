import { t } from '../../words/index.ts';
import { isFilmProcess } from '@saltflat/core/route';
import type { LinePrint, OrderLine, Preparation } from '@saltflat/contract';
import type { Finding, Fix, PrintProcess } from '@saltflat/core/artwork';
import type { UnitSystem } from '@saltflat/core/units';
import { useState } from 'react';
import { FigureTable } from './FigureTable.tsx';
import type { PrintPrices } from './FigureTable.tsx';
import { Findings } from './Findings.tsx';
import type { Pointed } from './Findings.tsx';
import { OutPanel } from './OutPanel.tsx';
import { StepList } from './StepList.tsx';
import type { ArtDraftState } from './useArtDraft.ts';
import type { ArtState } from './useArtwork.ts';
import { Versions } from './Versions.tsx';
import { WeighPrint } from './WeighPrint.tsx';
import { WhitePanel } from './WhitePanel.tsx';
import { Panel, TOKENS, Tabs, styled } from '../../ui/index.ts';

interface Props {
  line: OrderLine;
  print: LinePrint;
  art: ArtState;
  desk: ArtDraftState;
  process: PrintProcess;
  prices: PrintPrices;
  system: UnitSystem;
  by: string;
  pointed: Pointed | null;
  compared: Preparation | null;
  isCleaning: boolean;
  onPoint: (finding: Finding, place: number) => void;
  onFix: ((fix: Fix) => void) | null;
  onClean: (index: number) => void;
  onPick: (index: number) => void;
  onCompare: (preparation: Preparation | null) => void;
}

const PANELS = ['findings', 'white', 'figures', 'versions', 'out'] as const;
type Part = (typeof PANELS)[number];
const NAMES: Record<Part, string> = {
  findings: 'Findings',
  white: 'White',
  figures: 'Figures',
  versions: 'Versions',
  out: 'Out',
};

/** The right column: one panel at a time. */
export function ArtPanels(props: Props) {
  const { line, print, art, desk, process, prices, system, by } = props;
  const [panel, setPanel] = useState<Part>('findings');
  const { draft } = desk;
  const count = art.figures?.findings.length ?? 0;
  return (
    <Panel label={t('About the artwork')} style={{ display: 'flex', flexDirection: 'column' }}>
      <Tabs
        label={t('About the artwork')}
        tabs={PANELS.map((one) => ({
          value: one,
          label: one === 'findings' && count > 0 ? t('Findings {count}', { count }) : NAMES[one],
        }))}
        value={panel}
        onChange={setPanel}
        isBusy={art.isStale}
        isStale={art.isStale && art.figures !== null}
      >
        <h2 className="visually-hidden">{NAMES[panel]}</h2>
        {panel === 'findings' && (
          <>
            {art.figures ? (
              <Findings
                findings={art.figures.findings}
                pointed={props.pointed}
                onPoint={props.onPoint}
                onFix={props.onFix}
              />
            ) : (
              <Measuring />
            )}
            <Under>{t('Done to the file before it is printed')}</Under>
            <StepList
              steps={draft.steps}
              system={system}
              isCleaning={props.isCleaning}
              onChange={(steps, kind) => desk.change({ steps }, kind)}
              onClean={props.onClean}
              onPick={props.onPick}
            />
          </>
        )}
        {panel === 'white' && (
          <WhitePanel {...{ process, draft, system }} figures={art.figures} onChange={desk.change} />
        )}
        {panel === 'figures' &&
          (art.figures ? (
            <>
              <FigureTable figures={art.figures} prices={prices} system={system} />
              <WeighPrint
                lineId={line.id}
                print={print.id}
                hasPowder={isFilmProcess(print.process)}
                by={by}
              />
            </>
          ) : (
            <Measuring />
          ))}
        {panel === 'versions' && (
          <Versions
            artworkId={print.artwork?.id ?? ''}
            current={{ lineId: line.id, print: print.id }}
            keptId={print.preparation?.id ?? null}
            comparedNumber={props.compared?.number ?? null}
            onTake={({ steps, white }) => desk.change({ steps: [...steps], white })}
            onCompare={props.onCompare}
          />
        )}
        {panel === 'out' && <OutPanel line={line} print={print} by={by} isChanged={desk.isChanged} />}
      </Tabs>
    </Panel>
  );
}

const Measuring = () => (
  <p className="muted" role="status" style={{ padding: 24, textAlign: 'center' }}>
    {t('Measuring every pixel …')}
  </p>
);
const Under = styled('h3')({
  padding: '10px 16px 6px',
  borderTop: `1px solid ${TOKENS.hairline}`,
  background: TOKENS.ground,
});
