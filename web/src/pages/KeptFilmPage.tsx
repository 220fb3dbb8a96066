import type { FilmLayoutHead } from '@saltflat/contract';
import { formatQuantity } from '@saltflat/core/units';
import { Link } from 'react-router';
import { useFilmLayoutsInfiniteQuery } from '../api/filmApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { When } from '../units/Written.tsx';
import { useUnits } from '../units/writingSlice.ts';
import { Button, Empty, Failed, Loading, PageHead, Panel, Row, Scroll, SimpleTable } from '../ui/index.ts';
import { t } from '../words/index.ts';

/** Layouts of film that were kept, the newest first. */
export function KeptFilmPage() {
  const { data, error, refetch, hasNextPage, isFetchingNextPage, fetchNextPage } =
    useFilmLayoutsInfiniteQuery();
  const units = useUnits();
  if (error)
    return (
      <Failed title={t('Kept layouts cannot be fetched')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!data) return <Loading what={t('kept layouts')} />;
  const layouts = data.pages.flatMap(({ items }) => items);
  if (layouts.length === 0)
    return (
      <Empty
        isPage
        title={t('No layout was kept yet')}
        action={
          <Button look="primary" to="/film">
            {t('To the film')}
          </Button>
        }
      >
        {t('A layout that is kept has its files: print, white, cut paths, cutting list, labels.')}
      </Empty>
    );
  return (
    <>
      <PageHead title={t('Kept layouts')} says={t('As they were laid, whatever became of their lines')}>
        <Button to="/film">{t('To the film')}</Button>
      </PageHead>
      <Scroll>
        <Panel title={t('Newest first')}>
          <SimpleTable
            label={t('Kept layouts')}
            columns={[
              {
                key: 'code',
                title: t('Layout'),
                cell: ({ id, code }: FilmLayoutHead) => <Link to={`/film/${id}`}>{code}</Link>,
              },
              { key: 'at', title: t('Kept'), cell: ({ at }) => <When at={at} as="day-time" /> },
              { key: 'by', title: t('By'), cell: ({ by }) => by },
              { key: 'film', title: t('Film'), cell: ({ film }) => film },
              { key: 'lines', title: t('Lines'), cell: ({ lines }) => lines.join(', ') },
              { key: 'pieces', title: t('Pieces'), isNumber: true, cell: ({ pieces }) => pieces },
              { key: 'sheets', title: t('Sheets'), isNumber: true, cell: ({ sheets }) => sheets },
              {
                key: 'length',
                title: t('Film used'),
                isNumber: true,
                cell: ({ lengthMm }) => formatQuantity(Math.round(lengthMm), 'length', units),
              },
              {
                key: 'floor',
                title: t('Floor'),
                cell: ({ runId }) =>
                  runId === null ? t('not yet') : <Link to={`/floor/${runId}`}>{t('on the floor')}</Link>,
              },
            ]}
            rows={layouts}
            keyOf={({ id }) => id}
          />
        </Panel>
        {hasNextPage && (
          <Row gap={8}>
            <Button isBusy={isFetchingNextPage} onClick={() => void fetchNextPage()}>
              {t('Older ones')}
            </Button>
          </Row>
        )}
      </Scroll>
    </>
  );
}
