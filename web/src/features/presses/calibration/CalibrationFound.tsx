import type { Calibrated, MeasuredCourse } from '@saltflat/core/heat';
import { calibrationSaid } from '@saltflat/core/press';
import { formatQuantity } from '@saltflat/core/units';
import { doseWords } from '@saltflat/core/words';
import { useState } from 'react';
import { useWords } from '../../../units/useWords.ts';
import { useUnits } from '../../../units/writingSlice.ts';
import { Chart, Note, SimpleTable, Stack, ToggleField } from '../../../ui/index.ts';
import type { ChartData } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { PLACES } from './placeWords.ts';

/** What a calibration comes to: in words, as courses beside each other, with what is left between them. */
export function CalibrationFound({ found }: { found: Calibrated }) {
  const words = useWords();
  const said = calibrationSaid(found);
  return (
    <Stack gap={12}>
      <div role="status">
        {said.found.map((own) => (
          <p key={own.code}>{words(own)}</p>
        ))}
        {said.refused.map((own) => (
          <Note key={own.code} tone="caution">
            ◆ {words(own)}
          </Note>
        ))}
      </div>
      {found.recipes.length > 0 && <Recipes found={found} />}
      {found.strips.length > 0 && <Strips found={found} />}
      {found.courses.length > 0 && <Courses found={found} />}
    </Stack>
  );
}

function Courses({ found }: { found: Calibrated }) {
  const { courses, contact } = found;
  const system = useUnits();
  const [chosen, setChosen] = useState('0');
  const course = courses[Number(chosen)] ?? courses[0];
  if (!course) return null;
  const along = { title: t('s after closing'), values: course.measured.map(({ atS }) => atS.toFixed(0)) };
  const fitted = course.fitted ? [{ name: t('model, fitted'), values: course.fitted }] : [];
  return (
    <Stack gap={8}>
      {courses.length > 1 && (
        <ToggleField
          label={t('Sensor')}
          value={chosen}
          options={courses.map(({ at }, i) => ({ value: String(i), label: PLACES[at] }))}
          onChange={setChosen}
        />
      )}
      <Chart
        title={t('{place}: read and modelled', { place: PLACES[course.at] })}
        heightPx={260}
        data={{
          along,
          up: { title: '', write: (tempC) => formatQuantity(Math.round(tempC), 'temperature', system) },
          series: [
            { name: t('read'), kind: 'line', values: course.measured.map(({ tempC }) => tempC) },
            { name: t('model, by its tables'), kind: 'line', values: course.byTables },
            ...fitted.map((own) => ({ ...own, kind: 'line' as const })),
          ],
        }}
      />
      <Chart title={t('Read less modelled')} heightPx={180} data={residualChart(course, along)} />
      {contact?.ok === true && (
        <p className="muted small">
          {t(
            'Fitted while the press was closed, by least squares over one factor on the contacts above the work; {residual} K are left on average. How sure that is takes in 1.5 K of the sensor and half a second of the clock.',
            { residual: contact.fit.residualK.toFixed(1) },
          )}
        </p>
      )}
    </Stack>
  );
}

const residualChart = (
  { measured, byTables, fitted }: MeasuredCourse,
  along: ChartData['along'],
): ChartData => {
  const left = (modelled: readonly number[]): number[] =>
    measured.map(({ tempC }, i) => Math.round(10 * (tempC - (modelled[i] ?? NaN))) / 10);
  return {
    along,
    up: { title: '', write: (k) => `${k.toFixed(1)} K` },
    series: [
      { name: t('against the tables'), kind: 'line', values: left(byTables) },
      ...(fitted ? [{ name: t('against the fit'), kind: 'line' as const, values: left(fitted) }] : []),
    ],
  };
};

function Strips({ found: { strips } }: { found: Calibrated }) {
  const system = useUnits();
  const temp = (tempC: number | null): string =>
    tempC === null ? '–' : formatQuantity(Math.round(tempC), 'temperature', system);
  return (
    <SimpleTable<Calibrated['strips'][number] & { i: number }>
      label={t('Strips')}
      columns={[
        { key: 'at', title: t('Strip'), cell: ({ at }) => PLACES[at] },
        { key: 'read', title: t('Read'), isNumber: true, cell: ({ highestC }) => temp(highestC) },
        { key: 'tables', title: t('By tables'), isNumber: true, cell: ({ byTablesC }) => temp(byTablesC) },
        { key: 'fitted', title: t('Fitted'), isNumber: true, cell: ({ fittedC }) => temp(fittedC) },
      ]}
      rows={strips.map((own, i) => ({ ...own, i }))}
      keyOf={({ i }) => i}
    />
  );
}

function Recipes({ found: { recipes, spread } }: { found: Calibrated }) {
  const system = useUnits();
  return (
    <SimpleTable<Calibrated['recipes'][number] & { i: number }>
      label={t('Recipes')}
      columns={[
        {
          key: 'recipe',
          title: t('Recipe'),
          cell: ({ plateC, dwellS, kPa }) =>
            `${formatQuantity(plateC, 'temperature', system)}, ${formatQuantity(dwellS, 'duration', system)}, ${formatQuantity(kPa, 'pressure', system)}`,
        },
        {
          key: 'held',
          title: t('In the wash'),
          cell: ({ held }) => (held ? t('● held') : t('■ came off')),
        },
        {
          key: 'bond',
          title: t('Bond by the model'),
          isNumber: true,
          cell: ({ bond }) =>
            Number.isNaN(bond) ? '–' : `${doseWords(bond)} ± ${Math.round(100 * spread)} %`,
        },
      ]}
      rows={recipes.map((own, i) => ({ ...own, i }))}
      keyOf={({ i }) => i}
    />
  );
}
