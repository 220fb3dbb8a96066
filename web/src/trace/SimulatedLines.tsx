import { t } from '../words/index.ts';
import { beginningsOf, xAt, yOf } from './layoutTrace.ts';
import type { DrawnPiece } from './layoutTrace.ts';

/** The course of one place in one operation, as a model works it out. */
export interface TraceLine {
  operation: string;
  name: string;
  look: 'main' | 'second' | 'third';
  /** From the operation's beginning. */
  timesS: readonly number[];
  /** `null` while the place is not there. */
  tempsC: readonly (number | null)[];
  /** Between these lie four of five runs with other assumptions; `null` until they are worked out. */
  band: { timesS: readonly number[]; lowC: readonly number[]; highC: readonly number[] } | null;
}

/** Apart by dash as well as by colour, white underneath so that they stand out on any heat. */
const LOOKS = {
  main: { stroke: '#FFFFFF', under: '#0F2A30', width: 2, dash: undefined },
  second: { stroke: '#FFFFFF', under: '#0B6B73', width: 2, dash: '7 3' },
  third: { stroke: '#FFFFFF', under: '#4C646B', width: 1.5, dash: '2 3' },
} as const;

interface Props {
  lines: readonly TraceLine[];
  pieces: readonly DrawnPiece[];
  /** Height of the temperature axis, px. */
  ground: number;
}

/** What the work feels, over what the machines are told. */
export function SimulatedLines({ lines, pieces, ground }: Props) {
  const begins = beginningsOf(pieces);
  const end = pieces.reduce((sum, { durationS }) => sum + durationS, 0);
  return (
    <g aria-hidden="true" data-testid="simulated">
      {lines.map(({ operation, name, look, timesS, tempsC, band }) => {
        const fromS = begins.get(operation) ?? 0;
        const at = (s: number, tempC: number): string =>
          `${xAt(pieces, fromS + s).toFixed(1)},${yOf(tempC, ground).toFixed(1)}`;
        const path = pathOf(timesS, tempsC, (s, tempC) => (fromS + s > end ? null : at(s, tempC)));
        const { stroke, under, width, dash } = LOOKS[look];
        return (
          <g key={`${operation}/${name}`}>
            {band && (
              <polygon
                points={[
                  ...band.timesS.map((s, i) => at(s, band.highC[i] ?? 0)),
                  ...band.timesS.map((s, i) => at(s, band.lowC[i] ?? 0)).reverse(),
                ].join(' ')}
                fill="#0F2A30"
                opacity="0.22"
              />
            )}
            <path d={path} fill="none" stroke={stroke} strokeWidth={width + 2} opacity="0.75" />
            <path d={path} fill="none" stroke={under} strokeWidth={width} strokeDasharray={dash} />
          </g>
        );
      })}
    </g>
  );
}

/** A path with gaps where there is nothing. */
function pathOf(
  timesS: readonly number[],
  tempsC: readonly (number | null)[],
  at: (s: number, tempC: number) => string | null,
): string {
  let isDown = false;
  return timesS
    .map((s, i) => {
      const tempC = tempsC[i];
      const point = tempC === null || tempC === undefined ? null : at(s, tempC);
      const step = point === null ? '' : `${isDown ? 'L' : 'M'}${point}`;
      isDown = point !== null;
      return step;
    })
    .join('');
}

/** Which line is which. */
export function SimulatedLegend({ lines, mark }: { lines: readonly TraceLine[]; mark: string | null }) {
  const names = [...new Map(lines.map(({ name, look }) => [name, look])).entries()];
  return (
    <p
      className="muted small"
      style={{ display: 'flex', gap: 16, flexWrap: 'wrap', padding: '2px 8px 4px 46px' }}
    >
      <span>{lines.length > 0 ? t('By the model:') : t('The model is at work …')}</span>
      {names.map(([name, look]) => (
        <span key={name} style={{ display: 'inline-flex', gap: 6, alignItems: 'center' }}>
          <svg width="26" height="8" aria-hidden="true">
            <line
              x1="0"
              x2="26"
              y1="4"
              y2="4"
              stroke={LOOKS[look].under}
              strokeWidth={LOOKS[look].width}
              strokeDasharray={LOOKS[look].dash}
            />
          </svg>
          {name}
        </span>
      ))}
      {mark !== null && lines.length > 0 && (
        <span style={{ display: 'inline-flex', gap: 6, alignItems: 'center' }}>
          <svg width="26" height="8" aria-hidden="true">
            <line x1="0" x2="26" y1="4" y2="4" stroke="#9C1F45" strokeDasharray="6 3" />
          </svg>
          {mark}
        </span>
      )}
      {lines.some(({ band }) => band !== null) && (
        <span>{t('shaded: four of five runs with other assumptions')}</span>
      )}
    </p>
  );
}
