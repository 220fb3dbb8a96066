import { pressPlates } from '@saltflat/contract/pressPlates';
import type { PressPlate } from '@saltflat/contract';
import { surveyDueMs } from '@saltflat/core/press';
import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { useDispatch } from 'react-redux';
import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { serverNow } from '../api/serverClock.ts';
import {
  useAddCalibrationMutation,
  useAddPressureTestMutation,
  useAddSurveyMutation,
  useCalibrationsQuery,
  usePressesQuery,
  usePressureTestsQuery,
  useSurveysQuery,
} from '../api/pressesApi.ts';
import {
  CalibrationForm,
  CalibrationView,
  PlateView,
  PressureForm,
  PressureView,
  SurveyForm,
  useMiddleOffset,
} from '../features/presses/index.ts';
import { personNamed, usePerson } from '../person/personSlice.ts';
import {
  Button,
  Empty,
  Failed,
  FillSplit,
  Loading,
  PageHead,
  Row,
  Scroll,
  Stack,
  Tabs,
  ToggleField,
} from '../ui/index.ts';
import { t } from '../words/index.ts';

/** The presses of the shop: what is known of each plate, and how it is measured. */
export function PressesPage() {
  const { machineId, view } = useParams();
  const navigate = useNavigate();
  const { data: catalogue, error, refetch } = useCatalogueQuery();
  const { data: checks } = usePressesQuery();
  if (error)
    return (
      <Failed title={t('The presses cannot be shown')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!catalogue) return <Loading what={t('the presses')} />;
  const presses = pressPlates(catalogue.machines);
  const chosen = presses.find(({ id }) => id === machineId) ?? presses[0];
  if (!chosen)
    return (
      <Empty
        isPage
        title={t('There is no press yet')}
        action={
          <Button look="primary" to="/shop/machines">
            {t('Add a machine')}
          </Button>
        }
      >
        {t('A press is a machine of the shop: add it there, then measure it here.')}
      </Empty>
    );
  const shownView = VIEWS.find(({ value }) => value === view)?.value ?? 'plate';
  const markOf = (id: string): string => {
    const found = checks?.find((own) => own.machineId === id);
    if (found === undefined) return '';
    if (found.survey === null) return ' ◌';
    return serverNow() > surveyDueMs(found.survey.at) ? ' ◐' : '';
  };
  return (
    <>
      <PageHead
        title={t('Presses')}
        says={t('What a press really does to the work; routes go by it. ◐ survey due, ◌ never surveyed')}
      >
        <Link to="/presses/bench">{t('Bench: what if')}</Link>
      </PageHead>
      <Tabs
        label={t('Presses')}
        tabs={presses.map(({ id, name }) => ({ value: id, label: `${name}${markOf(id)}` }))}
        value={chosen.id}
        onChange={(id) => void navigate(`/presses/${id}/${shownView}`)}
      >
        <OnePress
          key={chosen.id}
          press={chosen}
          view={shownView}
          onView={(next) => void navigate(`/presses/${chosen.id}/${next}`)}
        />
      </Tabs>
    </>
  );
}

const VIEWS = [
  { value: 'plate', label: t('Plate') },
  { value: 'pressure', label: t('Pressure') },
  { value: 'calibration', label: t('Calibration') },
] as const;
type View = (typeof VIEWS)[number]['value'];

interface OnePressProps {
  press: PressPlate;
  view: View;
  onView: (view: View) => void;
}

function OnePress({ press, view, onView }: OnePressProps) {
  const views = (
    <ToggleField label={t('What is measured')} isNameHidden value={view} options={VIEWS} onChange={onView} />
  );
  return (
    <FillSplit columns="minmax(0, 1fr)" below={0}>
      <Scroll>
        <Stack gap={12} pad="12px 0">
          {view === 'plate' && <PlatePart press={press} views={views} />}
          {view === 'pressure' && <PressurePart press={press} views={views} />}
          {view === 'calibration' && <CalibrationPart press={press} views={views} />}
        </Stack>
      </Scroll>
    </FillSplit>
  );
}

interface PartOfPress {
  press: PressPlate;
  /** The way to the other parts. */
  views: React.ReactNode;
}

/** Which check is looked at, by the address; the newest where it names none. */
function useShown<C extends { number: number }>(checks: readonly C[] | undefined) {
  const [params, setParams] = useSearchParams();
  const [newest] = checks ?? [];
  return {
    shown: checks?.find(({ number }) => number === Number(params.get('number'))) ?? newest ?? null,
    show: (number: number): void => setParams(number === newest?.number ? {} : { number: String(number) }),
    showNewest: (): void => setParams({}),
  };
}

/** Whether something is being measured, and what follows once it is kept. */
function useMeasuring(showNewest: () => void) {
  const [isMeasuring, setMeasuring] = useState(false);
  const dispatch = useDispatch();
  return {
    isMeasuring,
    begin: (): void => setMeasuring(true),
    giveUp: (): void => setMeasuring(false),
    done: ({ input }: { input: { by: string } }): void => {
      dispatch(personNamed(input.by));
      setMeasuring(false);
      showNewest();
    },
  };
}

interface PartProps {
  views: React.ReactNode;
  isMeasuring: boolean;
  /** On the button that begins. */
  words: string;
  onBegin: () => void;
  form: React.ReactNode;
  children: React.ReactNode;
}

/** What was measured, or the form it is measured with. */
const Part = ({ views, isMeasuring, words, onBegin, form, children }: PartProps) => (
  <>
    <Row justify="space-between">
      {views}
      {!isMeasuring && (
        <Button look="primary" onClick={onBegin}>
          {words}
        </Button>
      )}
    </Row>
    {isMeasuring ? form : children}
  </>
);

const Unread = ({ error, onRetry }: { error: unknown; onRetry: () => unknown }) =>
  error ? (
    <Failed title={t('What was measured cannot be shown')} onRetry={() => void onRetry()}>
      {problemMessage(error)}
    </Failed>
  ) : (
    <Loading what={t('what was measured')} />
  );

function PlatePart({ press, views }: PartOfPress) {
  const { data: surveys, error, refetch } = useSurveysQuery(press.id);
  const { shown, show, showNewest } = useShown(surveys);
  const measuring = useMeasuring(showNewest);
  const [add] = useAddSurveyMutation();
  const who = usePerson();
  if (!surveys) return <Unread error={error} onRetry={refetch} />;
  return (
    <Part
      views={views}
      isMeasuring={measuring.isMeasuring}
      words={t('Survey this press')}
      onBegin={measuring.begin}
      form={
        <SurveyForm
          press={press}
          newest={surveys[0]?.number ?? 0}
          who={who}
          send={(input) => add({ machineId: press.id, input })}
          onSent={measuring.done}
          onGiveUp={measuring.giveUp}
        />
      }
    >
      <PlateView press={press} surveys={surveys} shown={shown} now={serverNow()} onShow={show} />
    </Part>
  );
}

function PressurePart({ press, views }: PartOfPress) {
  const { data: tests, error, refetch } = usePressureTestsQuery(press.id);
  const { shown, show, showNewest } = useShown(tests);
  const measuring = useMeasuring(showNewest);
  const [add] = useAddPressureTestMutation();
  const who = usePerson();
  if (!tests) return <Unread error={error} onRetry={refetch} />;
  return (
    <Part
      views={views}
      isMeasuring={measuring.isMeasuring}
      words={t('Test the pressure')}
      onBegin={measuring.begin}
      form={
        <PressureForm
          press={press}
          newest={tests[0]?.number ?? 0}
          who={who}
          send={(input) => add({ machineId: press.id, input })}
          onSent={measuring.done}
          onGiveUp={measuring.giveUp}
        />
      }
    >
      <PressureView press={press} tests={tests} shown={shown} onShow={show} />
    </Part>
  );
}

function CalibrationPart({ press, views }: PartOfPress) {
  const { data: calibrations, error, refetch } = useCalibrationsQuery(press.id);
  const { data: checks } = usePressesQuery();
  const { shown, show, showNewest } = useShown(calibrations);
  const measuring = useMeasuring(showNewest);
  const [add] = useAddCalibrationMutation();
  const who = usePerson();
  const survey = checks?.find(({ machineId }) => machineId === press.id)?.survey ?? null;
  const offsetC = useMiddleOffset(press, measuring.isMeasuring ? survey : null); // read for the form alone
  if (!calibrations || !checks) return <Unread error={error} onRetry={refetch} />;
  return (
    <Part
      views={views}
      isMeasuring={measuring.isMeasuring}
      words={t('Calibrate this press')}
      onBegin={measuring.begin}
      form={
        offsetC === null ? (
          <Loading what={t('the survey of its plate')} />
        ) : (
          <CalibrationForm
            press={press}
            newest={calibrations[0]?.number ?? 0}
            plateOffsetC={offsetC}
            who={who}
            send={(input) => add({ machineId: press.id, input })}
            onSent={measuring.done}
            onGiveUp={measuring.giveUp}
          />
        )
      }
    >
      <CalibrationView press={press} calibrations={calibrations} shown={shown} onShow={show} />
    </Part>
  );
}
