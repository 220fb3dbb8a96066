import type { ProbeName } from '@saltflat/core/heat';
import { useUnits } from '../../../units/writingSlice.ts';
import { Button, Fold, IconButton, QuantityField, Row, SelectField, Stack } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import type { CalibrationValues } from './calibrationDraft.ts';
import { PLACES } from './placeWords.ts';

interface Props {
  strips: CalibrationValues['strips'];
  places: readonly ProbeName[];
  problems: Record<string, string>;
  onChange: (strips: CalibrationValues['strips']) => void;
}

/** Strips that keep the highest temperature they met, laid in the same press cycle. */
export function StripsPart({ strips, places, problems, onChange }: Props) {
  const system = useUnits();
  const [place = 'glue'] = places;
  const put = (i: number, own: Partial<CalibrationValues['strips'][number]>): void =>
    onChange(strips.map((strip, k) => (k === i ? { ...strip, ...own } : strip)));
  const sent = (i: number): number => strips.slice(0, i).filter(({ highestC }) => highestC !== null).length;
  return (
    <Fold title={t('3 Strip thermometers')} isOpenAtFirst={strips.length > 0}>
      <Stack gap={8}>
        <p className="muted small">
          {t(
            'Where there is no logger: a strip that keeps the highest temperature it met. One tells something; it is read to ± 3 K.',
          )}
        </p>
        {strips.map(({ at, highestC }, i) => (
          <Row key={i} gap={8} align="start">
            <div style={{ width: 240 }}>
              <SelectField
                label={t('Strip {number} lay', { number: i + 1 })}
                value={places.includes(at) ? at : place}
                options={places.map((value) => ({ value, label: PLACES[value] }))}
                onChange={(next) => put(i, { at: next })}
              />
            </div>
            <QuantityField
              label={t('Highest')}
              kind="temperature"
              system={system}
              value={highestC}
              usual={140}
              problem={problems[`/strips/${sent(i)}/highestC`]}
              onChange={(value) => put(i, { highestC: value })}
            />
            <IconButton
              label={t('Take strip {number} out', { number: i + 1 })}
              onClick={() => onChange(strips.filter((_, k) => k !== i))}
            >
              ×
            </IconButton>
          </Row>
        ))}
        <div>
          <Button size="small" onClick={() => onChange([...strips, { at: place, highestC: null }])}>
            {t('Add a strip')}
          </Button>
        </div>
      </Stack>
    </Fold>
  );
}
