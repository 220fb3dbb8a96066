import type { Band } from '@saltflat/core/heat';
import { doseWords } from '@saltflat/core/words';
import { Row, TOKENS } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

interface Props {
  name: string;
  mark: React.ReactNode;
  value: number;
  band: Band | null;
  isWanted: boolean;
  colour: string;
}

/** Doses run over decades: the bar goes by the logarithm from a hundredth to a hundred, 1 two thirds along. */
const LOW = 0.01;
const HIGH = 10;
const at = (value: number): number =>
  (Math.log(Math.min(HIGH, Math.max(LOW, value)) / LOW) / Math.log(HIGH / LOW)) * 100;

/** A dose as a bar with its band: what is wanted should pass the line, what harms should not. */
export function DoseBar({ name, mark, value, band, isWanted, colour }: Props) {
  const shown = band === null ? doseWords(value) : bandWords(band);
  return (
    <>
      <Row justify="space-between" isOneLine gap={8}>
        <strong>
          {mark} {name}
        </strong>
        <span style={{ whiteSpace: 'nowrap' }}>
          {shown}
          {band === null && <span className="muted"> {t('± 25 % or more')}</span>}
          <span className="muted small"> {isWanted ? t('of 1 needed') : t('of a limit of 1')}</span>
        </span>
      </Row>
      <svg width="100%" height="14" aria-hidden="true" style={{ display: 'block', margin: '4px 0' }}>
        <rect x="0" y="4" width="100%" height="6" rx="3" fill={TOKENS.hairlinePale} />
        <rect x="0" y="4" width={`${at(value)}%`} height="6" rx="3" fill={colour} opacity="0.35" />
        {band && (
          <rect
            x={`${at(band.low)}%`}
            y="3"
            width={`${Math.max(0.8, at(band.high) - at(band.low))}%`}
            height="8"
            rx="4"
            fill={colour}
          />
        )}
        <rect x={`${at(1)}%`} y="0" width="2" height="14" fill={TOKENS.ink} />
      </svg>
    </>
  );
}

const bandWords = ({ low, high }: Band): string => {
  const [from, to] = [doseWords(low), doseWords(high)];
  if (from === to) return from;
  return high >= 20 ? t('{from} and more', { from }) : t('{from} to {to}', { from, to });
};
