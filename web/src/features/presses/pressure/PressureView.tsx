import type { PressPlate, PressureTest } from '@saltflat/contract';
import { testedMarks } from '@saltflat/core/press';
import type { PressureMark, PressureTest as Tested } from '@saltflat/core/press';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import { useUnits } from '../../../units/writingSlice.ts';
import { Chart, Empty, Panel, SimpleTable, Split, Stack } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { CheckHistory } from '../CheckHistory.tsx';
import { TESTS } from './pressureWords.ts';

interface Props {
  press: PressPlate;
  /** Newest first. */
  tests: readonly PressureTest[];
  shown: PressureTest | null;
  onShow: (number: number) => void;
}

/** What the marks of a press's own scale come to. */
export function PressureView({ press, tests, shown, onShow }: Props) {
  if (shown === null)
    return (
      <Empty title={t('The pressure of {name} was never tested', { name: press.name })}>
        {t(
          'What its marks mean is what somebody typed in, or not known; the model takes a stated pressure to be right within 0.7 to 1.4 times. A strip of film and a luggage scale tell more in ten minutes.',
        )}
      </Empty>
    );
  const marks = testedMarks(shown.input, press.plate);
  return (
    <Split columns="minmax(320px, 1fr) minmax(320px, 460px) minmax(200px, 260px)" below={1000}>
      <Panel label={t('Pressure by mark')} pad="12px 16px">
        {marks && <MarksChart name={press.name} marks={marks} />}
      </Panel>
      <Panel title={t('What the marks mean')} pad="8px 16px 12px">
        <Stack gap={8}>
          {marks && <MarksTable marks={marks} tested={shown.input.marks} />}
          <p className="muted small">
            {t(
              'Routes say the mark for the pressure they ask for, and the model takes it to lie within these.',
            )}
          </p>
          {shown.input.note !== '' && <p className="small">{shown.input.note}</p>}
        </Stack>
      </Panel>
      <CheckHistory title={t('Tests')} checks={tests} shown={shown} onShow={onShow} />
    </Split>
  );
}

const written = (kPa: number, system: UnitSystem): string =>
  formatQuantity(Math.round(kPa), 'pressure', system);

function MarksChart({ name, marks }: { name: string; marks: readonly PressureMark[] }) {
  const system = useUnits();
  return (
    <Chart
      title={t('Pressure of {name} by mark', { name })}
      heightPx={330}
      data={{
        along: { title: t('mark on the press'), values: marks.map(({ mark }) => String(mark)) },
        up: { title: '', write: (kPa) => written(kPa, system), min: 0 },
        series: [
          { name: t('pressure'), kind: 'line', values: marks.map(({ kPa }) => kPa) },
          { name: t('at least'), kind: 'line', values: marks.map(({ low }) => low) },
          { name: t('at most'), kind: 'line', values: marks.map(({ high }) => high) },
        ],
      }}
    />
  );
}

/** Each mark with its pressure, and how it was found. */
export function MarksTable({ marks, tested }: { marks: readonly PressureMark[]; tested: Tested['marks'] }) {
  const system = useUnits();
  return (
    <SimpleTable<PressureMark>
      label={t('Pressure by mark')}
      columns={[
        { key: 'mark', title: t('Mark'), isNumber: true, cell: ({ mark }) => mark },
        { key: 'kPa', title: t('Pressure'), isNumber: true, cell: ({ kPa }) => written(kPa, system) },
        {
          key: 'range',
          title: t('Within'),
          isNumber: true,
          cell: ({ low, high }) => `${Math.round(low)}–${written(high, system)}`,
        },
        {
          key: 'by',
          title: t('Found by'),
          cell: ({ mark }) => (
            <span className="muted small">
              {tested
                .filter((own) => own.mark === mark)
                .map(({ by, value }) =>
                  value === null || TESTS[by].unit === null
                    ? TESTS[by].name
                    : `${TESTS[by].name} ${value} ${TESTS[by].unit}`,
                )
                .join(', ')}
            </span>
          ),
        },
      ]}
      rows={marks}
      keyOf={({ mark }) => mark}
    />
  );
}
