import type { FilmLayout } from '@saltflat/contract';
import { formatQuantity } from '@saltflat/core/units';
import { useNavigate, useParams } from 'react-router';
import { useFilmLayoutQuery, useStartLayoutMutation } from '../api/filmApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { useAttempt } from '../api/useAttempt.ts';
import { KeptLayoutView } from '../features/film/index.ts';
import { useSignature } from '../person/personSlice.ts';
import { When } from '../units/Written.tsx';
import { useUnits } from '../units/writingSlice.ts';
import { Button, Failed, Loading, PageHead, Panel, Refusal, Stack } from '../ui/index.ts';
import { t } from '../words/index.ts';

/** A layout of film as it was kept, with its files and its way to the floor. */
export function FilmLayoutPage() {
  const { layoutId = '' } = useParams();
  const { data: layout, error, refetch } = useFilmLayoutQuery(layoutId);
  const units = useUnits();
  if (error)
    return (
      <Failed title={t('This layout cannot be shown')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!layout) return <Loading what={t('the layout')} />;
  const { film, code, sheets, lengthMm, by, at } = layout;
  return (
    <>
      <PageHead
        title={t('Film {code}', { code })}
        says={
          <>
            {t('{film} · sheets: {sheets} · {length} · kept by {by}', {
              film,
              sheets,
              length: formatQuantity(Math.round(lengthMm), 'length', units),
              by,
            })}{' '}
            <When at={at} as="day-time" />
          </>
        }
      >
        <Button to="/film/kept">{t('Kept layouts')}</Button>
        <Button to="/film">{t('To the film')}</Button>
      </PageHead>
      <KeptLayoutView key={layout.id} layout={layout} floor={<OnFloor layout={layout} />} />
    </>
  );
}

function OnFloor({ layout: { id, runId } }: { layout: FilmLayout }) {
  const [start] = useStartLayoutMutation();
  const attempt = useAttempt();
  const navigate = useNavigate();
  const by = useSignature();
  return (
    <Panel title={t('On the floor')} pad={12}>
      <Stack gap={8}>
        {runId === null ? (
          <Button
            look="primary"
            isBusy={attempt.isBusy('start')}
            onClick={() =>
              void attempt.make(
                'start',
                () => start({ id, by }),
                (run) => void navigate(`/floor/${run.id}`),
              )
            }
          >
            {t('Put these sheets on the floor')}
          </Button>
        ) : (
          <Button to={`/floor/${runId}`}>{t('See it on the floor')}</Button>
        )}
        <Refusal {...attempt.refusal('start')} />
      </Stack>
    </Panel>
  );
}
