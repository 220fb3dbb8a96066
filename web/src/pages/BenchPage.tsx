import { Link } from 'react-router';
import { Bench } from '../features/presses/index.ts';
import { FillSplit, PageHead, Scroll } from '../ui/index.ts';
import { t } from '../words/index.ts';

/** Stacks of no order, held against each other by the model. */
export function BenchPage() {
  return (
    <>
      <PageHead title={t('Bench')} says={t('What if: press stacks held against each other, by the model')}>
        <Link to="/presses">{t('Presses')}</Link>
      </PageHead>
      <FillSplit columns="minmax(0, 1fr)" below={0}>
        <Scroll>
          <Bench />
        </Scroll>
      </FillSplit>
    </>
  );
}
