import { pressPlates } from '@saltflat/contract/pressPlates';
import type { PressPlate } from '@saltflat/contract';
import { surveyDueMs } from '@saltflat/core/press';
import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { useDispatch } from 'react-redux';
import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { serverNow } from '../api/serverClock.ts';
import { useAddSurveyMutation, useNewestSurveysQuery, useSurveysQuery } from '../api/surveysApi.ts';
import { PressView, SurveyForm } from '../features/presses/index.ts';
import { personNamed, usePerson } from '../person/personSlice.ts';
import { Button, Empty, Failed, FillSplit, Loading, PageHead, Scroll, Stack, Tabs } from '../ui/index.ts';
import { t } from '../words/index.ts';

/** The presses of the shop: what is known of each plate, and how it is measured. */
export function PressesPage() {
  const { machineId } = useParams();
  const navigate = useNavigate();
  const { data: catalogue, error, refetch } = useCatalogueQuery();
  const { data: newest } = useNewestSurveysQuery();
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
  const markOf = (id: string): string => {
    const found = newest?.find((own) => own.machineId === id);
    if (found === undefined) return '';
    if (found.newest === null) return ' ◌';
    return serverNow() > surveyDueMs(found.newest.at) ? ' ◐' : '';
  };
  return (
    <>
      <PageHead
        title={t('Presses')}
        says={t(
          'What the plate really is where a print lies; routes go by it. ◐ survey due, ◌ never surveyed',
        )}
      >
        <Link to="/presses/bench">{t('Bench: what if')}</Link>
      </PageHead>
      <Tabs
        label={t('Presses')}
        tabs={presses.map(({ id, name }) => ({ value: id, label: `${name}${markOf(id)}` }))}
        value={chosen.id}
        onChange={(id) => void navigate(`/presses/${id}`)}
      >
        <OnePress key={chosen.id} press={chosen} />
      </Tabs>
    </>
  );
}

function OnePress({ press }: { press: PressPlate }) {
  const { data: surveys, error, refetch } = useSurveysQuery(press.id);
  const [params, setParams] = useSearchParams();
  const [isMeasuring, setMeasuring] = useState(false);
  const [add] = useAddSurveyMutation();
  const who = usePerson();
  const dispatch = useDispatch();
  if (error)
    return (
      <Failed title={t('The surveys cannot be shown')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!surveys) return <Loading what={t('the surveys')} />;
  const [newest] = surveys;
  const shown = surveys.find(({ number }) => number === Number(params.get('survey'))) ?? newest ?? null;
  return (
    <FillSplit columns="minmax(0, 1fr)" below={0}>
      <Scroll>
        <Stack gap={12} pad="12px 0">
          {isMeasuring ? (
            <SurveyForm
              press={press}
              newest={newest?.number ?? 0}
              who={who}
              send={(input) => add({ machineId: press.id, input })}
              onSent={(survey) => {
                dispatch(personNamed(survey.input.by));
                setMeasuring(false);
                setParams({});
              }}
              onGiveUp={() => setMeasuring(false)}
            />
          ) : (
            <div>
              <Button look="primary" onClick={() => setMeasuring(true)}>
                {t('Survey this press')}
              </Button>
            </div>
          )}
          <PressView
            press={press}
            surveys={surveys}
            shown={shown}
            now={serverNow()}
            onShow={(number) => setParams(number === newest?.number ? {} : { survey: String(number) })}
          />
        </Stack>
      </Scroll>
    </FillSplit>
  );
}
