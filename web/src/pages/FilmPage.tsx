import { equipmentOf } from '@saltflat/contract/equipment';
import type { Equipment } from '@saltflat/core/route';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { useFilmWaitingQuery, useKeepLayoutMutation, useStartLayoutMutation } from '../api/filmApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { useAttempt } from '../api/useAttempt.ts';
import { FilmView, groupsOf } from '../features/film/index.ts';
import type { FilmGroup } from '../features/film/index.ts';
import { RunningShort } from '../features/shelf/index.ts';
import { useSignature } from '../person/personSlice.ts';
import { Button, Empty, Failed, Loading, Note, PageHead, Refusal, SelectField } from '../ui/index.ts';
import { t } from '../words/index.ts';

/** Film: transfers that wait for it, laid out on sheets or a roll, and put on the floor. */
export function FilmPage() {
  const { data: waiting, error, refetch } = useFilmWaitingQuery();
  const { data: catalogue, error: unread, refetch: readAgain } = useCatalogueQuery();
  const [shown, setShown] = useState<string | null>(null);
  const [keep] = useKeepLayoutMutation();
  const [start] = useStartLayoutMutation();
  const attempt = useAttempt();
  const navigate = useNavigate();
  const by = useSignature();
  if (error || unread)
    return (
      <Failed title={t('Film cannot be shown')} onRetry={() => void (error ? refetch() : readAgain())}>
        {problemMessage(error ?? unread)}
      </Failed>
    );
  if (!waiting || !catalogue) return <Loading what={t('what waits for film')} />;
  const groups = groupsOf(waiting.items);
  const group = groups.find(({ key }) => key === shown) ?? groups[0];
  if (!group)
    return (
      <Empty
        isPage
        title={t('Nothing waits for film')}
        action={
          <>
            <Button to="/film/shelf">{t('Shelf')}</Button>
            <Button to="/film/kept">{t('Kept layouts')}</Button>
            <Button look="primary" to="/orders">
              {t('To the orders')}
            </Button>
          </>
        }
      >
        {t('Transfers of lines that are ready for the floor stand here, by film and powder.')}
      </Empty>
    );
  const equipment = equipmentOf(catalogue);
  const film = equipment.films.find(({ id }) => id === group.film.id);
  return (
    <>
      <PageHead
        title={t('Film')}
        says={t('Transfers share film: what goes on it, how it lies, what it takes')}
      >
        <Button to="/film/shelf">{t('Shelf')}</Button>
        <Button to="/film/kept">{t('Kept layouts')}</Button>
        {groups.length > 1 && (
          <div style={{ flex: '0 1 420px' }}>
            <SelectField
              label={t('Film and powder')}
              value={group.key}
              options={groups.map((own) => ({ value: own.key, label: groupWords(own) }))}
              onChange={setShown}
            />
          </div>
        )}
      </PageHead>
      {waiting.isMore && (
        <Note tone="info">
          {t('More lines are ready than are looked at here: the soonest due are shown.')}
        </Note>
      )}
      {film ? (
        <FilmView
          key={group.key}
          group={group}
          film={film}
          usualLongestMm={flatInHeatMm(equipment)}
          counted={{
            roll: waiting.rolls.find(({ filmId }) => filmId === film.id) ?? null,
            spoilage: waiting.spoilage,
          }}
          by={by}
          busy={attempt.isBusy('look') ? 'keep' : attempt.isBusy('start') ? 'start' : null}
          above={<RunningShort isMissingOnly onOrdered={(id) => void navigate(`/orders/${id}`)} />}
          refusal={
            <>
              <Refusal {...attempt.refusal('look')} />
              <Refusal {...attempt.refusal('start')} />
            </>
          }
          onKeep={(layout, then) =>
            then === 'look'
              ? void attempt.make(
                  'look',
                  () => keep(layout),
                  ({ id }) => void navigate(`/film/${id}`),
                )
              : void attempt.make(
                  'start',
                  async () => {
                    const kept = await keep(layout);
                    return kept.data ? start({ id: kept.data.id, by }) : { error: kept.error };
                  },
                  (run) => void navigate(`/floor/${run.id}`),
                )
          }
        />
      ) : (
        <Failed title={t('This film is not in the shop any more')} onRetry={() => void readAgain()}>
          {t('{name} was taken out of the set-up after these lines were planned: plan them anew.', {
            name: group.film.name,
          })}
        </Failed>
      )}
    </>
  );
}

const groupWords = ({ film, powder, printer, waiting }: FilmGroup): string =>
  t('{film}, {powder}, {printer} · {n} lines', {
    film: film.name,
    powder: powder?.name ?? t('no powder'),
    printer: printer?.name ?? t('no printer'),
    n: new Set(waiting.map(({ lineId }) => lineId)).size,
  });

/** A sheet that nothing melts is this long, mm: what hands carry flat (assumption). */
const CARRIED_MM = 400;

/** The longest sheet that lies flat in the heat, mm: in the oven where there is one, else under a press. */
function flatInHeatMm({ ovens, presses }: Equipment): number {
  const [melter] = ovens.length > 0 ? ovens : presses;
  return melter ? Math.max(melter.widthMm, melter.heightMm) : CARRIED_MM;
}
