import { t } from '../words/index.ts';
import { formatDuration, formatQuantity } from '@saltflat/core/units';
import { useRef } from 'react';
import { useUnits } from '../units/writingSlice.ts';
import { useWidth } from '../ui/index.ts';
import { heatColour } from './heatColour.ts';
import { layoutTrace, tracePath, yOf } from './layoutTrace.ts';
import type { DrawnPiece, TracePiece } from './layoutTrace.ts';
import { SimulatedLegend, SimulatedLines } from './SimulatedLines.tsx';
import type { TraceLine } from './SimulatedLines.tsx';

interface Props {
  pieces: readonly TracePiece[];
  height: number;
  /** Operation to light up. */
  current?: string | null;
  onPick?: (operation: string) => void;
  /** What a model works out beside what is commanded; none while there is no model. */
  lines?: readonly TraceLine[];
  /** The model is at work: its legend has its place already, so that nothing moves under a hand when it is done. */
  isAwaited?: boolean;
  /** A temperature that means something, with its name. */
  mark?: { tempC: number; name: string } | null;
}

const GRID_C = [50, 100, 150, 200];
const AXIS = 46;
const FOOT = 26;

/** What one piece is commanded to go through: time along, temperature up. Presses are hills, waits are flat ground. */
export function HeatTrace({
  pieces,
  height,
  current = null,
  onPick,
  lines = [],
  isAwaited = false,
  mark = null,
}: Props) {
  const system = useUnits();
  const frame = useRef<HTMLDivElement>(null);
  const width = useWidth(frame);
  const ground = height - FOOT;
  const drawn = layoutTrace(pieces, Math.max(200, width - AXIS - 8), ground);
  const temp = (tempC: number): string => formatQuantity(tempC, 'temperature', system);
  return (
    // until a new width is measured the drawing has the old one: it must not widen the page meanwhile
    <div
      ref={frame}
      className="heat-trace"
      style={{ width: '100%', overflow: 'clip', overflowClipMargin: 24 }}
    >
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={describe(pieces, temp)}
        style={{ display: 'block', overflow: 'visible' }}
      >
        {GRID_C.map((tempC) => (
          <g key={tempC}>
            <line
              x1={AXIS}
              x2={width - 8}
              y1={yOf(tempC, ground)}
              y2={yOf(tempC, ground)}
              stroke="#D5DEE1"
              strokeDasharray="2 4"
            />
            <text x={AXIS - 6} y={yOf(tempC, ground) + 4} fontSize="11" fill="#4C646B" textAnchor="end">
              {temp(tempC)}
            </text>
          </g>
        ))}
        <g transform={`translate(${AXIS} 0)`}>
          {drawn.map((piece, i) => (
            <Piece
              key={i}
              piece={piece}
              ground={ground}
              isCurrent={piece.operation === current && current !== null}
              temp={temp}
              onPick={onPick}
            />
          ))}
          <path
            d={tracePath(drawn)}
            fill="none"
            stroke={lines.length > 0 ? '#8AA0A7' : '#0F2A30'}
            strokeWidth={lines.length > 0 ? 1 : 1.5}
            strokeLinejoin="round"
          />
          <SimulatedLines lines={lines} pieces={drawn} ground={ground} />
          {mark !== null && lines.length > 0 && (
            <line
              x1={0}
              x2={Math.max(0, width - AXIS - 8)}
              y1={yOf(mark.tempC, ground)}
              y2={yOf(mark.tempC, ground)}
              stroke="#9C1F45"
              strokeDasharray="6 3"
              strokeWidth="0.8"
            />
          )}
        </g>
      </svg>
      {(lines.length > 0 || isAwaited) && (
        <SimulatedLegend lines={lines} mark={mark && `${mark.name} ${temp(mark.tempC)}`} />
      )}
    </div>
  );
}

interface PieceProps {
  piece: DrawnPiece;
  ground: number;
  isCurrent: boolean;
  temp: (tempC: number) => string;
  onPick?: ((operation: string) => void) | undefined;
}

function Piece({ piece, ground, isCurrent, temp, onPick }: PieceProps) {
  const { x, width, y, tempC, kind, label, durationS, isHandsOn, isBroken, operation } = piece;
  const isHot = tempC > 40;
  const name = t(label ?? '');
  const fits = width > 7 * name.length;
  return (
    <g
      style={{ cursor: onPick ? 'pointer' : undefined }}
      onClick={() => operation !== undefined && onPick?.(operation)}
    >
      <title>{`${name}: ${isHot ? `${temp(tempC)}, ` : ''}${formatDuration(durationS)}`}</title>
      <rect x={x} y={0} width={width} height={ground} fill={isCurrent ? '#E3F0F1' : 'transparent'} />
      {isHot && (
        <rect
          x={x + 1}
          y={y}
          width={Math.max(1, width - 2)}
          height={ground - y}
          fill={heatColour(tempC)}
          opacity="0.82"
        />
      )}
      {kind === 'window' && (
        <rect
          x={x}
          y={ground - 16}
          width={width}
          height={16}
          fill="#FFF3D1"
          stroke="#7A4F00"
          strokeDasharray="3 3"
          strokeWidth="0.8"
        />
      )}
      {isHot && width > 30 && (
        <text x={x + width / 2} y={y - 6} fontSize="12" fontWeight="600" fill="#0F2A30" textAnchor="middle">
          {temp(tempC)}
        </text>
      )}
      <line
        x1={x + 1}
        x2={x + width - 1}
        y1={ground + 5}
        y2={ground + 5}
        stroke="#0F2A30"
        strokeWidth={isHandsOn ? 4 : 1}
        strokeDasharray={isHandsOn ? undefined : '3 3'}
      />
      {isBroken && (
        <text
          x={x + width / 2}
          y={ground + 1}
          fontSize="14"
          fill="#0F2A30"
          textAnchor="middle"
          aria-hidden="true"
        >
          ≈
        </text>
      )}
      {fits && (
        <text x={x + width / 2} y={ground + 20} fontSize="11" fill="#4C646B" textAnchor="middle">
          {name}
        </text>
      )}
    </g>
  );
}

function describe(pieces: readonly TracePiece[], temp: (tempC: number) => string): string {
  const hot = pieces
    .filter(({ tempC }) => tempC > 40)
    .map(({ label, tempC, durationS }) => `${t(label ?? '')} ${temp(tempC)} ${formatDuration(durationS)}`);
  return t('Commanded temperatures of one piece: {hot}', { hot: hot.join(', ') });
}
