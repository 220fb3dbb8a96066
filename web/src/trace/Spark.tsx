import { t } from '../words/index.ts';
import { formatQuantity } from '@saltflat/core/units';
import { useUnits } from '../units/writingSlice.ts';
import { heatColour } from './heatColour.ts';
import { layoutTrace, tracePath } from './layoutTrace.ts';
import type { TracePiece } from './layoutTrace.ts';

/** The heat trace in a list: 120 × 24. */
export function Spark({ pieces }: { pieces: readonly TracePiece[] }) {
  const system = useUnits();
  if (pieces.length === 0) return <span className="muted small">{t('no route yet')}</span>;
  const drawn = layoutTrace(pieces, 120, 19);
  const hottest = Math.max(...pieces.map(({ tempC }) => tempC));
  return (
    <svg
      width="120"
      height="24"
      role="img"
      aria-label={t('Heat trace, hottest {hottest}', {
        hottest: formatQuantity(hottest, 'temperature', system),
      })}
      style={{ display: 'block' }}
    >
      {drawn.map((piece, i) => (
        <g key={i}>
          {piece.tempC > 40 && (
            <rect
              x={piece.x}
              y={piece.y}
              width={piece.width}
              height={19 - piece.y}
              fill={heatColour(piece.tempC)}
              opacity="0.85"
            />
          )}
          {piece.isHandsOn && <rect x={piece.x} y="21" width={piece.width} height="2" fill="#0F2A30" />}
        </g>
      ))}
      <path d={tracePath(drawn)} fill="none" stroke="#0F2A30" strokeWidth="1" />
    </svg>
  );
}
