import type { BenchStack } from '@saltflat/core/heat';
import { useUnits } from '../../../units/writingSlice.ts';
import { Button, Fold, IconButton, QuantityField, Row, SelectField, Stack } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import type { CalibrationValues } from './calibrationDraft.ts';

const WASHED = [
  { value: 'held', label: t('held') },
  { value: 'off', label: t('came off') },
] as const;

interface Props {
  recipes: CalibrationValues['recipes'];
  /** The stack they were pressed in. */
  like: BenchStack;
  problems: Record<string, string>;
  onChange: (recipes: CalibrationValues['recipes']) => void;
}

/** Settings of the same stack that are known to hold or to come off. */
export function RecipesPart({ recipes, like, problems, onChange }: Props) {
  const system = useUnits();
  const put = (i: number, own: Partial<CalibrationValues['recipes'][number]>): void =>
    onChange(recipes.map((recipe, k) => (k === i ? { ...recipe, ...own } : recipe)));
  const add = (held: boolean): void =>
    onChange([...recipes, { plateC: like.plateC, dwellS: null, kPa: like.kPa, held }]);
  const figures = [
    ['plateC', 'temperature', t('Plate')],
    ['dwellS', 'duration', t('Dwell')],
    ['kPa', 'pressure', t('Pressure')],
  ] as const;
  return (
    <Fold title={t('4 Recipes whose wash is known')} isOpenAtFirst={recipes.length > 0}>
      <Stack gap={8}>
        <p className="muted small">
          {t(
            'The same stack with other settings: the shortest that held in the wash, and the longest that came off.',
          )}
        </p>
        {recipes.map((recipe, i) => (
          <Row key={i} gap={8} align="start">
            {figures.map(([field, kind, label]) => (
              <div key={field} style={{ width: 112 }}>
                <QuantityField
                  label={label}
                  kind={kind}
                  system={system}
                  value={recipe[field]}
                  usual={like[field]}
                  problem={problems[`/recipes/${i}/${field}`]}
                  onChange={(value) => put(i, { [field]: value })}
                />
              </div>
            ))}
            <div style={{ width: 110 }}>
              <SelectField
                label={t('In the wash')}
                value={recipe.held ? 'held' : 'off'}
                options={WASHED}
                onChange={(value) => put(i, { held: value === 'held' })}
              />
            </div>
            <IconButton
              label={t('Take recipe {number} out', { number: i + 1 })}
              onClick={() => onChange(recipes.filter((_, k) => k !== i))}
            >
              ×
            </IconButton>
          </Row>
        ))}
        <Row gap={8}>
          <Button size="small" onClick={() => add(true)}>
            {t('Add one that held')}
          </Button>
          <Button size="small" onClick={() => add(false)}>
            {t('Add one that came off')}
          </Button>
        </Row>
      </Stack>
    </Fold>
  );
}
