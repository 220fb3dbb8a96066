import type { OpenLine } from '@saltflat/contract';
import { USUAL_GRAMS } from '@saltflat/core/spray';
import { settingFor } from '@saltflat/core/work';
import type { Operation } from '@saltflat/core/work';
import { formatQuantity } from '@saltflat/core/units';
import { Link } from 'react-router';
import { useRouteVersionsQuery } from '../../../api/linesApi.ts';
import { useUnits } from '../../../units/writingSlice.ts';
import { useWords } from '../../../units/useWords.ts';
import { Button, Empty, Loading, Panel, Stack, Swatch } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';

/** What a hand needs to practise a line’s spray. */
export interface AreaToSpray {
  widthMm: number;
  heightMm: number;
  gm2: number;
}

interface Props {
  lines: readonly OpenLine[];
  /** Practises a line’s area by hand; `null` where the shop has no hand gun with figures. */
  onPractise: ((area: AreaToSpray) => void) | null;
}

/** Open lines that are printed directly, with the grams each piece gets and the fluid all of it takes. */
export function LinesToSpray({ lines, onPractise }: Props) {
  if (lines.length === 0)
    return (
      <Empty
        title={t('No open line is printed directly')}
        action={<Button to="/orders/new">{t('Take in an order')}</Button>}
      >
        {t('Dark and polyester garments that are printed directly are pretreated here.')}
      </Empty>
    );
  return (
    <Stack gap={12}>
      {lines.map((line) => (
        <LineToSpray key={line.lineId} line={line} onPractise={onPractise} />
      ))}
    </Stack>
  );
}

function LineToSpray({ line, onPractise }: { line: OpenLine } & Pick<Props, 'onPractise'>) {
  const { data: versions } = useRouteVersionsQuery(line.lineId);
  const route = versions?.find(({ isCurrent }) => isCurrent)?.route;
  const sprayed = route?.operations.filter(({ role }) => role === 'spray') ?? [];
  return (
    <Panel
      title={
        <>
          <Swatch hex={line.colourHex} /> <Link to={`/route/${line.lineId}`}>{line.code}</Link>
        </>
      }
      label={line.code}
      says={t('{customer}, {pieces} {garment}', {
        customer: line.customer,
        pieces: line.pieces,
        garment: line.garment,
      })}
      pad="10px 16px"
    >
      {versions === undefined ? (
        <Loading what={t('its route')} />
      ) : sprayed.length === 0 ? (
        <p className="muted" style={{ margin: 0 }}>
          {route
            ? t('Nothing is sprayed on it: pale, or bought pretreated.')
            : t('Its route is not planned yet.')}
        </p>
      ) : (
        sprayed.map((operation) => {
          const print = route?.prints.find(({ id }) => operation.print === null || id === operation.print);
          const [size] = print?.placement.sizes ?? [];
          const gm2 = settingFor(operation, 'fluid')?.value;
          return (
            <SprayFigures
              key={operation.id}
              operation={operation}
              onPractise={
                onPractise && size && gm2 !== undefined
                  ? () =>
                      onPractise({
                        widthMm: Math.round(size.widthMm + 2 * USUAL_GRAMS.marginMm),
                        heightMm: Math.round(size.heightMm + 2 * USUAL_GRAMS.marginMm),
                        gm2,
                      })
                  : null
              }
            />
          );
        })
      )}
    </Panel>
  );
}

function SprayFigures({ operation, onPractise }: { operation: Operation; onPractise: (() => void) | null }) {
  const system = useUnits();
  const words = useWords();
  const { weighIn, settings, checks } = operation;
  const fluid = checks.find(({ code }) => code === 'check.fluid-for-line');
  return (
    <Stack gap={6}>
      <p style={{ margin: 0, fontSize: 18, fontWeight: 640 }}>
        {weighIn &&
          t('{grams} ± {tolerance} on each', {
            grams: formatQuantity(weighIn.targetG, 'mass', system, 1),
            tolerance: formatQuantity(weighIn.toleranceG, 'mass', system, 1),
          })}
        <span className="muted small" style={{ fontWeight: 400 }}>
          {' '}
          {settings
            .map(({ label, value, kind }) => `${t(label)} ${formatQuantity(value, kind, system)}`)
            .join(' · ')}
        </span>
      </p>
      {fluid && <p style={{ margin: 0 }}>{words(fluid)}</p>}
      {onPractise && (
        <div>
          <Button size="small" onClick={onPractise}>
            {t('Practise it by hand')}
          </Button>
        </div>
      )}
    </Stack>
  );
}
