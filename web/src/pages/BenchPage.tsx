import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { useDispatch } from 'react-redux';
import {
  useAddBenchNoteMutation,
  useBenchNotesQuery,
  useRemoveBenchNoteMutation,
} from '../api/pressesApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { LinePicker } from '../features/orders/index.ts';
import { Bench } from '../features/presses/index.ts';
import type { Variant } from '../features/presses/index.ts';
import { wishOf } from '../features/route/index.ts';
import { personNamed, usePerson } from '../person/personSlice.ts';
import { Dialog, FillSplit, PageHead, Scroll, useToast } from '../ui/index.ts';
import { t } from '../words/index.ts';

/** Stacks of no order, held against each other by the model. */
export function BenchPage() {
  const { data: notes } = useBenchNotesQuery();
  const [add] = useAddBenchNoteMutation();
  const [remove] = useRemoveBenchNoteMutation();
  const who = usePerson();
  const dispatch = useDispatch();
  const tell = useToast();
  const location = useLocation();
  const [brought] = useState(() => (location.state as { brought?: Variant } | null)?.brought ?? null); // our own pages put it there
  const [wish, setWish] = useState<string | null>(null);
  return (
    <>
      <PageHead title={t('Bench')} says={t('What if: press stacks held against each other, by the model')}>
        <Link to="/presses">{t('Presses')}</Link>
      </PageHead>
      <FillSplit columns="minmax(0, 1fr)" below={0}>
        <Scroll>
          <Bench
            brought={brought}
            onTryInRoute={(stack) => setWish(wishOf(stack))}
            notes={{
              notes,
              who,
              send: (note) => add(note),
              onSent: ({ input }) => {
                dispatch(personNamed(input.by));
                tell({ words: t('“{name}” is noted.', { name: input.name }) });
              },
              onRemove: ({ id, input }) =>
                void remove(id).then(({ error }) =>
                  tell(
                    error
                      ? { words: problemMessage(error) }
                      : {
                          words: t('“{name}” is thrown away.', { name: input.name }),
                          undo: () => void add(input),
                        },
                  ),
                ),
            }}
          />
        </Scroll>
      </FillSplit>
      {wish !== null && (
        <Dialog title={t('In which line’s route?')} width="md" onClose={() => setWish(null)}>
          <p className="small">
            {t(
              'Its press is tried with this plate, dwell and pressure; nothing is kept until you say so there.',
            )}
          </p>
          <LinePicker to={(id) => `/route/${id}?${wish}`} what={t('route')} />
        </Dialog>
      )}
    </>
  );
}
