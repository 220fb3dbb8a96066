import { t } from '../../words/index.ts';
import type { LineDocument, PressChecks, PressPlate, ProvenLine, RouteVersion } from '@saltflat/contract';
import type { BlankKind } from '@saltflat/core/blank';
import type { Quote } from '@saltflat/core/cost';
import { GLUE_GATE_C } from '@saltflat/core/heat';
import { PROCESS_NAMES, heatedAgainSaid, provenOverrides } from '@saltflat/core/route';
import type { Route, SourceChoice } from '@saltflat/core/route';
import type { PlateSize } from '@saltflat/core/press';
import { partsIn, traceHeat } from '@saltflat/core/work';
import type { Operation } from '@saltflat/core/work';
import type { Said } from '@saltflat/core/words';
import { Fragment, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { usePerson } from '../../person/personSlice.ts';
import { HeatTrace } from '../../trace/index.ts';
import { useUnits } from '../../units/writingSlice.ts';
import { useWords } from '../../units/useWords.ts';
import { AskPanel } from './AskPanel.tsx';
import { cautionsOnce } from './cautionsOnce.ts';
import { CopyProven } from './CopyProven.tsx';
import { CostPanel } from './CostPanel.tsx';
import { HeatPanel } from './HeatPanel.tsx';
import { KeepTried } from './KeepTried.tsx';
import { OperationRow } from './OperationRow.tsx';
import { LoadingCard } from '../../loading/index.ts';
import { PlacementPanel } from './PlacementPanel.tsx';
import { WarmUpsPanel } from './WarmUpsPanel.tsx';
import { SourcesPanel } from './SourcesPanel.tsx';
import { traceLines } from './traceLines.ts';
import { useHeat } from './useHeat.ts';
import type { RouteHeat } from './useHeat.ts';
import { usePresses } from './usePresses.ts';
import { useTriedRoute } from './useTriedRoute.ts';
import type { Tried } from './triedRoute.ts';
import type { Signed } from '@saltflat/contract';
import { VersionsPanel } from './VersionsPanel.tsx';
import { WhyPanel } from './WhyPanel.tsx';
import { Button, FillSplit, Note, Panel, Row, Scroll, Stack } from '../../ui/index.ts';

interface Props {
  version: RouteVersion;
  versions: readonly RouteVersion[];
  /** What the newest version is planned from; `null` until it is here, or where an old one is shown. */
  document: LineDocument | null;
  quote: Quote | null;
  /** Why there is none, where that can be said. */
  noQuote: string;
  provenLines: readonly ProvenLine[] | undefined;
  papers: Parameters<typeof CostPanel>[0]['papers'];
  kind: BlankKind;
  /** What lies under the plate; `null` where nobody knows. */
  blank: LineDocument['garment'] | null;
  plates: readonly PressPlate[] | null;
  checks: PressChecks | undefined;
  /** Of the largest print; `null` where nobody knows. */
  printSize: PlateSize | null;
  colourHex: string;
  /** Address of a print's picture; `null` where there is none. */
  pictureOf: (print: string) => string | null;
  /** A promise that leaves no time for the rest it needs; `null` where there is time. */
  promise: Said | null;
  /** What an address asks to be tried. */
  wished: readonly Tried[];
  /** False once the line is on the floor, or an old version is shown. */
  isOpen: boolean;
  onShow: (number: number) => void;
  /** Plans a new version with own values; a sentence when it is refused. */
  onKeep: (tried: readonly Tried[], signed: Signed) => Promise<string | null>;
  /** Plans a new version without an own value; a sentence when it is refused. */
  onTakeBack: (operation: string, setting: string) => Promise<string | null>;
  /** Plans a new version with another thing to work with; a sentence when it is refused. */
  onChoose: (chosen: SourceChoice) => Promise<string | null>;
  onUnchoose: (print: string, role: SourceChoice['role']) => Promise<string | null>;
  /** The route a line was run with. */
  readProven: (from: ProvenLine) => Promise<Route | null>;
}

/** A route: the heat trace on top, an operation a row, every setting with its reasons one click away. */
export function RouteView(props: Props) {
  const { version, versions, document: lineDocument, isOpen, onShow, onKeep, onTakeBack, readProven } = props;
  const system = useUnits();
  const person = usePerson();
  const [picked, setPicked] = useState<{ operation: string; setting: string } | null>(null);
  const [lit, setLit] = useState<string | null>(null);
  const opener = useRef<HTMLElement | null>(null);
  const live = useTriedRoute(version, isOpen ? lineDocument : null, isOpen ? props.wished : []);
  const { route, tried, problem } = live;
  const presses = usePresses(props.plates, props.checks, props.printSize);
  const heat = useHeat(route, version.pieces, props.blank, presses);
  const pieces = useMemo(() => tracePieces(route, version.pieces), [route, version.pieces]);
  const lines = useMemo(() => (heat.heat ? traceLines(heat.heat) : []), [heat]);
  const cautions = useMemo(() => cautionsOnce(route.operations), [route]);
  const operation = route.operations.find(({ id }) => id === picked?.operation);
  const setting = operation?.settings.find(({ key }) => key === picked?.setting);
  useEffect(() => {
    if (lit) document.getElementById(`operation-${lit}`)?.scrollIntoView({ block: 'center' });
  }, [lit]);

  const pick = useCallback((own: { operation: string; setting: string }): void => {
    opener.current = document.activeElement as HTMLElement | null;
    setPicked((before) =>
      before?.operation === own.operation && before.setting === own.setting ? null : own,
    );
  }, []);
  const close = (): void => {
    setPicked(null);
    opener.current?.focus();
  };
  // what is not looked at while a value is slid follows when the hand rests
  const later = useDeferredValue(live);
  const laterHeat = useDeferredValue(heat.heat);
  const isTrying = later.tried.length > 0;
  const printPanels = useMemo(
    () => (
      <>
        {later.route.prints.map((print) => (
          <SourcesPanel
            key={`sources-${print.id}`}
            of={print.placement.label}
            sources={print.sources}
            chosen={version.sources.filter((own) => own.print === print.id).map(({ role }) => role)}
            isOpen={isOpen && !isTrying}
            who={person}
            onChoose={(picked, signed) => props.onChoose({ ...picked, ...signed, print: print.id })}
            onTakeBack={(role) => props.onUnchoose(print.id, role)}
          />
        ))}
        {later.route.prints.map((print) => (
          <Fragment key={print.id}>
            <PlacementPanel
              placement={print.placement}
              heatedAgain={heatedAgainSaid(later.route, print)}
              kind={props.kind}
              colourHex={props.colourHex}
              picture={props.pictureOf(print.id)}
              system={system}
            />
            {print.loading && (
              <Panel title={t('Loading')} label={t('Loading')} pad={14}>
                <LoadingCard
                  card={print.loading}
                  placement={print.placement.key}
                  colourHex={props.colourHex}
                  picture={props.pictureOf(print.id)}
                />
              </Panel>
            )}
          </Fragment>
        ))}
      </>
    ),
    [later.route, isTrying, isOpen, person, system, props, version],
  );
  const { tryValue } = live;
  const askAndCost = useMemo(
    () => (
      <>
        {laterHeat && <AskPanel heat={laterHeat} onTry={isOpen && lineDocument ? tryValue : null} />}
        <WarmUpsPanel warmUps={later.route.warmUps} />
        <CostPanel
          route={later.route}
          cost={later.cost}
          laid={isTrying ? [] : (version.laid ?? [])}
          pieces={version.pieces}
          quote={isTrying ? null : props.quote}
          noQuote={props.noQuote}
          papers={props.papers}
        />
      </>
    ),
    [later.route, later.cost, laterHeat, isTrying, isOpen, lineDocument, tryValue, props, version],
  );

  const keep = async (signed: Signed): Promise<string | null> => {
    const refusal = await onKeep(tried, signed);
    if (refusal === null) live.giveUp();
    return refusal;
  };
  const copy = async (from: ProvenLine): Promise<string> => {
    const proven = await readProven(from);
    if (proven === null) return `The route of ${from.code} cannot be read now.`;
    const carried = provenOverrides(version.route, proven, { who: '', why: '' });
    live.tryAll(
      carried.map(({ operation: id, setting: key, value }) => ({ operation: id, setting: key, value })),
    );
    return carried.length === 0
      ? `${from.code} was run with the same settings.`
      : `${carried.length} ${carried.length === 1 ? 'setting' : 'settings'} of ${from.code} are being tried: look, then keep.`;
  };

  return (
    <Stack>
      <Panel label={t('Heat trace')} pad="12px 8px 4px">
        <HeatTrace
          pieces={pieces}
          height={170}
          current={lit}
          onPick={setLit}
          lines={lines}
          isAwaited={props.blank !== null && heat.heat === null && heat.problem === ''}
          mark={heat.heat && hasGlue(heat.heat) ? GLUE_MARK : null}
        />
      </Panel>
      {tried.length > 0 && (
        <KeepTried count={tried.length} problem={problem} who={person} onKeep={keep} onGiveUp={live.giveUp} />
      )}
      <Warnings route={route} promise={props.promise} onPick={pick} />
      <FillSplit columns="minmax(0, 1fr) 380px">
        <Scroll>
          <Stack>
            {bandsOf(route).map(({ label, operations }) => (
              <Panel as="div" key={operations[0]?.id} {...(label === null ? {} : { title: label })}>
                <ol aria-label={label ?? t('Operations')}>
                  {operations.map((own) => (
                    <OperationRow
                      key={own.id}
                      operation={own}
                      parts={partsIn(route.lanes, own.lane, version.pieces)}
                      cautions={cautions.get(own.id) ?? []}
                      isLit={own.id === lit}
                      picked={own.id === picked?.operation ? picked.setting : null}
                      system={system}
                      onPick={pick}
                    />
                  ))}
                </ol>
              </Panel>
            ))}
            {printPanels}
          </Stack>
        </Scroll>
        <Scroll>
          <Stack>
            {operation && setting && (
              <WhyPanel
                key={`${operation.id}/${setting.key}/${version.number}`}
                operation={operation}
                setting={setting}
                system={system}
                onTry={
                  isOpen && lineDocument
                    ? (value) => live.tryValue({ operation: operation.id, setting: setting.key, value })
                    : null
                }
                heat={tried.length > 0 ? heat.heat : null}
                isTried={tried.some((own) => own.operation === operation.id && own.setting === setting.key)}
                onTakeBack={isOpen ? () => onTakeBack(operation.id, setting.key) : null}
                onClose={close}
              />
            )}
            <HeatPanel
              route={route}
              state={heat}
              presses={presses}
              labelOf={(id) =>
                route.prints.length > 1
                  ? (route.prints.find((print) => print.id === id)?.placement.label ?? null)
                  : null
              }
            />
            {askAndCost}
            <VersionsPanel version={version} versions={versions} onShow={onShow} />
            {isOpen && <CopyProven lines={props.provenLines} onCopy={copy} />}
          </Stack>
        </Scroll>
      </FillSplit>
    </Stack>
  );
}

/** Operations that follow each other for one print, or for the piece as a whole; all of them where a line has one print. */
function bandsOf({ prints, operations }: Route): { label: string | null; operations: Operation[] }[] {
  if (prints.length === 1) return [{ label: null, operations }];
  const labelOf = (id: string | null): string => {
    const print = prints.find((own) => own.id === id);
    return print ? `${print.placement.label}: ${PROCESS_NAMES[print.process]}` : 'The garment';
  };
  return operations.reduce<{ label: string; operations: Operation[] }[]>((bands, operation) => {
    const label = labelOf(operation.print);
    const last = bands.at(-1);
    if (last?.label === label) last.operations.push(operation);
    else bands.push({ label, operations: [operation] });
    return bands;
  }, []);
}

const GLUE_MARK = { tempC: GLUE_GATE_C, name: t('glue wets from') };
const hasGlue = ({ story }: RouteHeat): boolean =>
  story.operations.some(({ courses }) => courses.glue !== undefined || courses.powder !== undefined);

const tracePieces = (route: Route, pieces: number) =>
  traceHeat(route.operations, pieces).map((segment) => ({
    ...segment,
    durationS: segment.toS - segment.fromS,
  }));

/** What is wrong or looks like a slip, with the ways out, each leading to its setting. */
function Warnings({
  route,
  promise,
  onPick,
}: {
  route: Route;
  promise: Said | null;
  onPick: (own: { operation: string; setting: string }) => void;
}) {
  const words = useWords();
  const { conflicts, slips, prints } = route;
  const problems = prints.flatMap(({ placement }) =>
    placement.problems.map((own) => ({ ...own, place: prints.length > 1 ? `${placement.label}: ` : '' })),
  );
  if (conflicts.length + slips.length + problems.length === 0 && promise === null) return null;
  return (
    <Stack as="section" role="status" aria-label={t('Conflicts')} gap={8}>
      {promise !== null && <Note tone="alarm">◆ {words(promise)}</Note>}
      {problems.map(({ place, said, waysOut }) => (
        <Note tone="alarm" key={`${place}${said.code}`}>
          <p>
            ■ {place}
            {words(said)}
          </p>
          <WaysOut waysOut={waysOut} />
        </Note>
      ))}
      {grouped(conflicts).map(({ operation, setting, all, waysOut }) => (
        <Note tone="alarm" key={`${operation}/${setting}`}>
          <Row isOneLine justify="space-between">
            <div>
              {all.map(words).map((text) => (
                <p key={text}>■ {text}</p>
              ))}
            </div>
            <Button look="quiet" size="small" onClick={() => onPick({ operation, setting })}>
              {t('Why')}
            </Button>
          </Row>
          <WaysOut waysOut={waysOut} />
        </Note>
      ))}
      {slips.map(({ said }) => (
        <Note tone="caution" key={words(said)}>
          {words(said)}
        </Note>
      ))}
    </Stack>
  );
}

function WaysOut({ waysOut }: { waysOut: Said[] }) {
  const words = useWords();
  return (
    <ul style={{ listStyle: 'disc', paddingLeft: 24, marginTop: 2 }}>
      {waysOut.map((way) => (
        <li key={way.code}>{words(way)}</li>
      ))}
    </ul>
  );
}

type Conflict = Route['conflicts'][number];
type Grouped = Conflict & { all: Conflict['said'][] };

/** Conflicts of one setting together: their ways out are the same. */
function grouped(conflicts: Route['conflicts']): Grouped[] {
  const groups = new Map<string, Grouped>();
  for (const conflict of conflicts) {
    const key = `${conflict.operation}/${conflict.setting}`;
    const group = groups.get(key) ?? { ...conflict, all: [] };
    group.all.push(conflict.said);
    groups.set(key, group);
  }
  return [...groups.values()];
}
