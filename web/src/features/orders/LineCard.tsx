import { rich, t } from '../../words/index.ts';
import type { LinePrint, OrderLine } from '@saltflat/contract';
import { PLACEMENTS } from '@saltflat/contract/placements';
import { PROCESS_NAMES, isFilmProcess } from '@saltflat/core/route';
import { formatQuantity } from '@saltflat/core/units';
import { Suspense, lazy, useEffect } from 'react';
import { Link } from 'react-router';
import type { Attempt } from '../../api/useAttempt.ts';
import { useDates, useUnits } from '../../units/writingSlice.ts';
import { ArtThumb } from './ArtThumb.tsx';
import type { ArtActions } from './LineArt.tsx';
import { Measuring } from './Measuring.tsx';
import { Button, Note, Refusal, Row, Stack, StateMark } from '../../ui/index.ts';

/** With the sentences for what stands out it weighs as much as the list: it comes when there is something to tell. */
const loadLineArt = () => import('./LineArt.tsx');
const LineArt = lazy(loadLineArt);

/** What can be done with a line. */
export interface LineActions extends ArtActions {
  onStart: () => void;
}

interface Props {
  line: OrderLine;
  isCancelled: boolean;
  /** Who is working here. */
  by: string;
  actions: LineActions;
  /** What was refused of it: at its id where it could not be started; for its art see there. */
  attempt: Pick<Attempt, 'refusal' | 'isBusy'>;
}

/** One line of an order: what is made, where it stands, and what can be done next. */
export function LineCard({ line, isCancelled, by, actions, attempt }: Props) {
  const when = useDates();
  const isPlanning = line.state === 'planning';
  useEffect(() => {
    // what there is to tell comes with the route: a card must not grow under the hand that goes for it
    if (isPlanning) void loadLineArt();
  }, [isPlanning]);
  const hasArtToTell =
    line.artOverrule !== null ||
    line.prints.some(({ findings, preparation }) => findings.length > 0 || preparation !== null);
  return (
    <Stack as="article" gap={8} style={{ borderTop: '1px solid var(--hairline)', paddingTop: 12 }}>
      <Row gap={8}>
        <h3>
          <span className="code">{line.code}</span> {line.colour.name} {line.styleName}
        </h3>
        <StateMark state={isCancelled ? 'cancelled' : line.state} />
      </Row>
      <p>{line.sizes.map(({ size, quantity }) => `${quantity} × ${size}`).join(', ')}</p>
      {line.prints.map((print) => (
        <PrintCard key={print.id} print={print} line={line} isOne={line.prints.length === 1} />
      ))}
      {hasArtToTell && !isCancelled && (
        <Suspense fallback={<p className="muted small">{t('What stands out in the art …')}</p>}>
          <LineArt {...{ line, by, actions, attempt }} />
        </Suspense>
      )}
      {isPlanning && !isCancelled && <Measuring lineId={line.id} />}
      {line.planProblem && (
        <Note tone="alarm">{rich('No route: {planProblem}', { planProblem: line.planProblem })}</Note>
      )}
      {line.proof && (
        <p className="small">
          <span aria-hidden="true">{line.proof.verdict === 'approved' ? '● ' : '◆ '}</span>
          {line.proof.verdict === 'approved'
            ? t('Proof approved by')
            : t('Changes to the proof wanted by')}{' '}
          {line.proof.customerName}, {when(line.proof.at, 'date')}
          {line.proof.note !== '' && `: ${line.proof.note}`}
        </p>
      )}
      {rightsCautions(line).map((words) => (
        <Note tone="caution" isSmall key={words}>
          {words}
        </Note>
      ))}
      {!isCancelled && (
        <Row>
          {line.state === 'ready' && (
            <Button look="primary" size="small" onClick={actions.onStart}>
              {t('Start on the floor')}
            </Button>
          )}
          {line.activeRunId && (
            <Button look="primary" size="small" to={`/floor/${line.activeRunId}`}>
              {t('Go on with it on the floor')}
            </Button>
          )}
          {line.prints.some(({ artwork }) => artwork) && (
            <Link to={`/artwork/${line.id}`}>{t('Look at the artwork')}</Link>
          )}
          {line.routeNumber !== null && (
            <>
              <Link to={`/route/${line.id}`}>
                {rich('Route, version {routeNumber}', { routeNumber: line.routeNumber })}
              </Link>
              <a href={`/api/v1/lines/${line.id}/run-sheet.pdf`} download>
                {t('Run sheet')}
              </a>
            </>
          )}
        </Row>
      )}
      <Refusal {...attempt.refusal(line.id)} />
    </Stack>
  );
}

/** One print: its art, where it goes and how it is made. */
function PrintCard({ print, line, isOne }: { print: LinePrint; line: OrderLine; isOne: boolean }) {
  const system = useUnits();
  const { artwork, placement, dropMm, widthMm, process } = print;
  const { label, from } = PLACEMENTS[placement];
  return (
    <Row align="flex-start" isOneLine>
      <ArtThumb
        artworkId={artwork?.id ?? null}
        colourHex={line.colour.hex}
        size={isOne ? 96 : 64}
        alt={artwork?.name ?? ''}
      />
      <div style={{ minWidth: 0 }}>
        <p>
          {rich('{strong}, {widthMm} wide', {
            strong: <strong>{t(label)}</strong>,
            widthMm: formatQuantity(widthMm, 'length', system),
          })}
        </p>
        <p className="muted">
          {from === 'collar'
            ? t('{drop} below the collar', { drop: formatQuantity(dropMm, 'length', system) })
            : t('{drop} below the upper edge', { drop: formatQuantity(dropMm, 'length', system) })}
        </p>
        <p className="muted">{t(PROCESS_NAMES[process])}</p>
      </div>
    </Row>
  );
}

/** What to mind about the images of a line's transfers, each once. */
const rightsCautions = ({ prints }: OrderLine): string[] => [
  ...new Set(
    prints.flatMap(({ process, artwork }) =>
      artwork && isFilmProcess(process) ? (RIGHTS_CAUTIONS[artwork.rights] ?? []) : [],
    ),
  ),
];

/** What to mind about the image before a transfer of it is sold; nothing where it is settled. */
const RIGHTS_CAUTIONS: Partial<Record<NonNullable<LinePrint['artwork']>['rights'], string>> = {
  unasked: t('Nobody has asked yet whose image this is: ask once, under Out on the artwork.'),
  refused: t('This image may not be sold as a transfer.'),
};
