import { outlineOf } from '@saltflat/core/placement';
import type { PlacementKey } from '@saltflat/core/placement';
import type { LoadedSize, LoadingCard as Card } from '@saltflat/core/route';
import { formatQuantity } from '@saltflat/core/units';
import { useState } from 'react';
import { useUnits } from '../units/writingSlice.ts';
import { Split, Stack, ToggleField } from '../ui/index.ts';
import { t } from '../words/index.ts';
import { PrintFrame } from './PrintFrame.tsx';

interface Props {
  card: Card;
  placement: PlacementKey;
  colourHex: string;
  /** Address of the art's picture; `null` where there is none. */
  picture: string | null;
}

const RISER_SHOWN_MM = 20; // beside the print, so that it is seen
const ROOM_MM = 60; // beside the platen, for what hangs over it and for figures

const PADS: Record<Card['pad'][number], string> = {
  zip: t('the zip'),
  'thick-seams': t('thick seams'),
  'panel-seam': t('the panel’s seam'),
  drawcord: t('the drawcord: take it out, or lay it beside'),
};

/** How a garment is laid on the platen, drawn to scale: collar, print, what is raised, where tape goes. */
export function LoadingCard({ card, placement, colourHex, picture }: Props) {
  const { platen, sizes } = card;
  const system = useUnits();
  const [size, setSize] = useState(sizes[Math.floor((sizes.length - 1) / 2)]?.size ?? '');
  const own = sizes.find((known) => known.size === size) ?? sizes[0];
  if (!own) return null;
  const mm = (value: number): string => formatQuantity(Math.round(value), 'length', system);
  return (
    <Split columns="minmax(220px, 300px) minmax(0, 1fr)" below={560}>
      <Drawing {...{ card, own, placement, colourHex, picture }} />
      <Stack gap={8}>
        <p className="muted small" style={{ margin: 0 }}>
          {t('{platen} platen, {wide} × {high}', {
            platen: platen.name,
            wide: mm(platen.widthMm),
            high: mm(platen.heightMm),
          })}
        </p>
        {sizes.length > 1 && (
          <ToggleField
            label={t('Size')}
            value={own.size}
            options={sizes.map((known) => ({ value: known.size, label: known.size }))}
            onChange={setSize}
          />
        )}
        <ol
          aria-label={t('How it is laid')}
          style={{ margin: 0, paddingLeft: 22, lineHeight: 1.5, listStyle: 'decimal' }}
        >
          {wordsOf(card, own, (value) => formatQuantity(value, 'length', system)).map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
      </Stack>
    </Split>
  );
}

/** What the hands do, in their order. */
function wordsOf(card: Card, own: LoadedSize, write: (value: number) => string): string[] {
  const mm = (value: number): string => write(Math.round(value));
  const { edge, isSplit, isHooped, riserMm, pad } = card;
  const { edgeAboveMm, riser, tape, print } = own;
  return [
    ...(riser && riserMm !== null
      ? [
          t(
            'Raise the platen by {height} from {from} to {to} below its edge, across the print: what lies above the pocket is lower.',
            {
              height: write(riserMm),
              from: mm(riser.fromMm),
              to: mm(riser.toMm),
            },
          ),
        ]
      : []),
    ...(isSplit
      ? [
          t(
            'Split it open: one layer on the platen, the back hanging below; a scrap or paper under it where ink comes through.',
          ),
        ]
      : []),
    edge === 'collar'
      ? edgeAboveMm === 0
        ? t('Collar seam at the platen’s upper edge, its middle over the platen’s.')
        : t('Collar seam {above} above the platen’s upper edge, its middle over the platen’s.', {
            above: mm(edgeAboveMm),
          })
      : edgeAboveMm === 0
        ? t('Upper edge of the piece at the platen’s upper edge.')
        : t('Upper edge of the piece {above} above the platen’s.', { above: mm(edgeAboveMm) }),
    t('The print begins {down} below the platen’s edge and {left} from its left.', {
      down: mm(print.yMm),
      left: mm(print.xMm),
    }),
    ...pad.map((what) =>
      t('A pad cut out round {what}, so that the print lies at one height.', { what: PADS[what] }),
    ),
    ...(tape.length > 0
      ? [
          t('Tape on the bare platen, {sides}: the print runs off the garment there.', {
            sides: tape.map((side) => TAPE[side]).join(', '),
          }),
        ]
      : []),
    isHooped
      ? t('Sleeves and hem tucked under; hoop on; no wrinkle, nothing drawn tight.')
      : t('Smooth by hand; nothing drawn tight.'),
  ];
}

const TAPE: Record<LoadedSize['tape'][number], string> = {
  left: t('on the left'),
  right: t('on the right'),
  below: t('below'),
};

function Drawing({
  card: { platen, kind, isHooped },
  own,
  placement,
  colourHex,
  picture,
}: Omit<Props, 'card'> & { card: Card; own: LoadedSize }) {
  const outline = outlineOf(kind, placement);
  const { garment, print, riser, scale } = own;
  const view = {
    x: -ROOM_MM,
    y: -ROOM_MM - Math.max(0, own.edgeAboveMm),
    width: platen.widthMm + 2 * ROOM_MM,
    height: platen.heightMm + 2 * ROOM_MM + Math.max(0, own.edgeAboveMm),
  };
  return (
    <svg
      viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
      role="img"
      style={{ width: '100%', maxHeight: 360, display: 'block' }}
      aria-label={t('Size {size} on the {platen} platen, to scale', { size: own.size, platen: platen.name })}
    >
      <rect width={platen.widthMm} height={platen.heightMm} rx={14} fill="#C9CFCC" />
      <g transform={`translate(${garment.xMm} ${garment.yMm}) scale(${scale})`}>
        <path d={outline.body} fill={colourHex} fillOpacity={0.82} stroke="var(--ink)" strokeWidth={3} />
        {outline.details !== '' && (
          <path d={outline.details} fill="none" stroke="#ffffff" strokeOpacity={0.7} strokeWidth={2.5} />
        )}
      </g>
      <rect
        width={platen.widthMm}
        height={platen.heightMm}
        rx={14}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={3}
        strokeDasharray={isHooped ? undefined : '12 8'}
      />
      {riser && (
        <rect
          x={print.xMm - RISER_SHOWN_MM}
          y={riser.fromMm}
          width={print.widthMm + 2 * RISER_SHOWN_MM}
          height={riser.toMm - riser.fromMm}
          fill="#F0C24B"
          fillOpacity={0.55}
          stroke="#8A6A10"
          strokeWidth={2}
        />
      )}
      {own.tape.map((side) => (
        <rect key={side} {...tapeBox(side, own)} fill="#E58A1F" fillOpacity={0.8} />
      ))}
      <PrintFrame
        picture={picture}
        x={print.xMm}
        y={print.yMm}
        width={print.widthMm}
        height={print.heightMm}
      />
      <line
        x1={platen.widthMm / 2}
        x2={platen.widthMm / 2}
        y1={-30}
        y2={20}
        stroke="var(--brine)"
        strokeWidth={3}
      />
    </svg>
  );
}

const TAPE_MM = 24;

/** Beside the print, where the platen is bare. */
function tapeBox(side: LoadedSize['tape'][number], { print }: LoadedSize): React.SVGProps<SVGRectElement> {
  const { xMm: x, yMm: y, widthMm: width, heightMm: height } = print;
  if (side === 'below') return { x, y: y + height - 4, width, height: TAPE_MM };
  return { x: side === 'left' ? x - TAPE_MM + 4 : x + width - 4, y, width: TAPE_MM, height };
}
