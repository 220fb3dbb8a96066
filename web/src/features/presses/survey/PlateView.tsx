import type { PressPlate, Survey } from '@saltflat/contract';
import { summarise, surveyDueMs } from '@saltflat/core/press';
import type { SurveySummary } from '@saltflat/core/press';
import { useState } from 'react';
import { formatQuantity, formatTemperatureDifference } from '@saltflat/core/units';
import { useDates, useUnits } from '../../../units/writingSlice.ts';
import {
  Chart,
  Empty,
  Loading,
  NumberField,
  Note,
  Panel,
  Row,
  SimpleTable,
  Split,
  Stack,
} from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { CheckHistory } from '../CheckHistory.tsx';
import { plateChart } from './plateChart.ts';
import { spotName } from './spotName.ts';
import { usePlates } from './usePlates.ts';

const TOLERANCE_K = 4;

/** A plate is drawn to scale: so high, and as wide as it is. */
const MAP_PX = 390;
const mapWidthPx = ({ widthMm, heightMm }: PressPlate['plate']): number =>
  Math.round(Math.min(640, Math.max(300, (MAP_PX * widthMm) / heightMm))) + 40;

interface Props {
  press: PressPlate;
  /** Newest first. */
  surveys: readonly Survey[];
  shown: Survey | null;
  now: number;
  onShow: (number: number) => void;
}

/** What is known of a press: its plate as a map, how far it is from its display, what of it can be used. */
export function PlateView({ press, surveys, shown, now, onShow }: Props) {
  const dates = useDates();
  const [toleranceK, setTolerance] = useState<number | null>(TOLERANCE_K);
  if (shown === null)
    return (
      <Empty title={t('{name} was never surveyed', { name: press.name })}>
        {t(
          'Routes take its display at its word, give or take 5 °C. A survey takes about a minute and a half a spot: close on a matt pad, open, read at once, next spot.',
        )}
      </Empty>
    );
  const [newest] = surveys;
  const dueAt = newest ? surveyDueMs(newest.at) : 0;
  return (
    <Stack gap={12}>
      {now > dueAt && <Due at={dueAt} />}
      <Split columns={`${mapWidthPx(press.plate)}px minmax(300px, 420px) minmax(200px, 1fr)`} below={1000}>
        <Plate press={press} survey={shown} toleranceK={toleranceK ?? TOLERANCE_K} />
        <Figures
          press={press}
          survey={shown}
          before={surveys.find(({ number }) => number === shown.number - 1) ?? null}
          toleranceK={toleranceK}
          onTolerance={setTolerance}
        />
        <CheckHistory
          title={t('Surveys')}
          says={t('next due {day}', { day: dates(dueAt, 'day') })}
          checks={surveys}
          shown={shown}
          onShow={onShow}
        />
      </Split>
    </Stack>
  );
}

function Due({ at }: { at: number }) {
  const dates = useDates();
  return (
    <Note tone="caution" role="status">
      {t('◆ A new survey was due on {day}: plates drift by the season, and routes go by this one.', {
        day: dates(at, 'day'),
      })}
    </Note>
  );
}

function Plate({ press, survey, toleranceK }: { press: PressPlate; survey: Survey; toleranceK: number }) {
  const system = useUnits();
  const plates = usePlates(survey.input);
  const { name, plate: size } = press;
  if (plates === null) return <Loading what={t('the map')} />;
  const found = summarise(plates.spots, size, { setC: survey.input.setC, toleranceK });
  const data = plateChart(size, {
    spots: plates.spots,
    usable: found.usable,
    write: (tempC) => formatQuantity(Math.round(tempC), 'temperature', system),
  });
  return (
    <Panel label={t('Map of the plate')} pad="12px 16px">
      <Chart
        title={t('Plate of {name}, survey {number}', { name, number: survey.number })}
        data={data}
        heightPx={MAP_PX + 48}
      />
    </Panel>
  );
}

interface FiguresProps {
  press: PressPlate;
  survey: Survey;
  /** The survey before, for drift; `null` for the first. */
  before: Survey | null;
  toleranceK: number | null;
  onTolerance: (toleranceK: number | null) => void;
}

function Figures({ press, survey, before, toleranceK, onTolerance }: FiguresProps) {
  const system = useUnits();
  const plates = usePlates(survey.input);
  const former = usePlates(before?.input ?? null);
  const { plate: size } = press;
  const isFit = toleranceK !== null && toleranceK >= 1 && toleranceK <= 20;
  const apart = (k: number): string =>
    `${k > 0 ? '+' : k < 0 ? '−' : ''}${formatTemperatureDifference(Math.abs(k), system, 1)}`;
  const summary = (own: typeof plates, setC: number): SurveySummary | null =>
    own && summarise(own.spots, size, { setC, toleranceK: isFit ? toleranceK : TOLERANCE_K });
  const found = summary(plates, survey.input.setC);
  const earlier = summary(former, before?.input.setC ?? 0);
  if (found === null || plates === null) return null;
  const temp = (tempC: number): string => formatQuantity(Math.round(tempC), 'temperature', system);
  const rows = [
    { name: t('Display'), value: temp(survey.input.setC) },
    {
      name: t('Plate, mean'),
      value: `${temp(found.meanC)} ± ${formatTemperatureDifference(plates.uncertainK, system)}`,
    },
    { name: t('Off its display by'), value: apart(found.offsetK) },
    { name: t('Hottest to coldest'), value: formatTemperatureDifference(found.spreadK, system, 1) },
    { name: t('Usable of the plate'), value: `${Math.round(100 * found.usableShare)} %` },
    ...(earlier
      ? [{ name: t('Since the survey before'), value: apart(found.offsetK - earlier.offsetK) }]
      : []),
  ];
  return (
    <Panel title={t('What it tells')} pad="8px 16px 12px">
      <Stack gap={8}>
        <SimpleTable
          label={t('What the survey tells')}
          isHeadHidden
          columns={[
            { key: 'name', title: t('What'), cell: ({ name }) => name },
            { key: 'value', title: t('Value'), isNumber: true, cell: ({ value }) => value },
          ]}
          rows={rows}
          keyOf={({ name }) => name}
        />
        {found.coldSpots.length > 0 && (
          <Note tone="alarm">
            {t('■ Cold {where}: a print that reaches there is not pressed like the rest.', {
              where: [...new Set(found.coldSpots.map((spot) => spotName(spot, size)))].join(', '),
            })}
          </Note>
        )}
        <Row gap={8} align="end">
          <NumberField
            label={t('Tolerance, K')}
            value={toleranceK}
            onChange={onTolerance}
            width={110}
            problem={isFit ? undefined : t('1 to 20 are tolerances.')}
          />
          <span className="muted small">
            {t('A place further than that from the mean counts as not usable.')}
          </span>
        </Row>
        {survey.input.readOff !== 'plate' && (
          <p className="muted small">
            {t(
              'Read off a pad {late} s after opening: what it had lost by then is added by the heat model, ± {uncertain}.',
              { late: survey.input.lateS, uncertain: formatTemperatureDifference(plates.uncertainK, system) },
            )}
          </p>
        )}
        {survey.input.note !== '' && <p className="small">{survey.input.note}</p>}
      </Stack>
    </Panel>
  );
}
