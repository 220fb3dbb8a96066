import type { OperationHeat } from '@saltflat/core/heat';
import { doseWords } from '@saltflat/core/words';
import { Panel, SimpleTable } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import type { Variant } from './variant.ts';

/** What is counted, where, and what it should come to. */
const ROWS: readonly { dose: string; name: string; needed: boolean }[] = [
  { dose: 'bond@glue', name: t('Bond'), needed: true },
  { dose: 'bond@patch-glue', name: t('Bond under the patch'), needed: true },
  { dose: 'melt@powder', name: t('Powder melted'), needed: true },
  { dose: 'cure@ink', name: t('Cure of the ink'), needed: true },
  { dose: 'dye@face', name: t('Dye migration'), needed: false },
  { dose: 'scorch@face', name: t('Scorch'), needed: false },
  { dose: 'shine@face', name: t('Shine'), needed: false },
  { dose: 'stiffener@stiffener', name: t('Glue of the stiffener'), needed: false },
];

/** Doses of every stack side by side. */
export function BenchDoses({
  variants,
  heats,
}: {
  variants: readonly Variant[];
  heats: readonly (OperationHeat | null)[];
}) {
  const rows = ROWS.filter(
    ({ dose }) =>
      heats.some((own) => own?.doses[dose] !== undefined) && !(dose === 'cure@ink' && hasGlue(heats)),
  );
  const water = heats.some((own) => own?.water);
  if (rows.length === 0 && !water) return null;
  return (
    <Panel title={t('Doses')} says={t('needed or a limit at 1, each ± 25 %')}>
      <SimpleTable
        label={t('Doses')}
        columns={[
          {
            key: 'name',
            title: t('Dose'),
            cell: ({ name, needed }) => `${name}, ${needed ? t('needed') : t('limit')}`,
          },
          ...variants.map(({ name }, i) => ({
            key: `${i}`,
            title: name,
            isNumber: true,
            cell: ({ dose }: (typeof ROWS)[number]) => cellOf(heats[i]?.doses[dose]),
          })),
        ]}
        rows={rows}
        keyOf={({ dose }) => dose}
        {...(water
          ? {
              foot: [
                t('Water left, g/m²'),
                ...heats.map((own) => (own?.water ? `${Math.round(own.water.afterGM2)}` : '–')),
              ],
            }
          : {})}
      />
    </Panel>
  );
}

const hasGlue = (heats: readonly (OperationHeat | null)[]): boolean =>
  heats.some((own) => own?.doses['bond@glue'] !== undefined);

const cellOf = (value: number | undefined): string =>
  value === undefined
    ? '–'
    : t('{low} to {high}', { low: doseWords(0.75 * value), high: doseWords(1.25 * value) });
