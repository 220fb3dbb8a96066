import type { PlanTime } from '../../planned/index.ts';
import { Button, Panel, Row, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { OrderMoves } from './OrderMoves.tsx';
import type { MovedOrder } from './OrderMoves.tsx';

interface Props {
  later: readonly MovedOrder[];
  time: PlanTime;
  isSearching: boolean;
  onImprove: () => void;
  onStop: () => void;
}

/** What has come in the way since the plan was kept: it was followed with as little moved as could be; a better one is looked for by itself. */
export const SincePanel = ({ later, time, isSearching, onImprove, onStop }: Props) => (
  <Panel title={t('Later than it was kept')} label={t('Later than it was kept')} pad={14}>
    <Stack gap={10}>
      <p className="muted small">
        {t('As little was moved as could be, and nothing to an earlier time.')}
        {isSearching && ` ${t('A better plan is being looked for.')}`}
      </p>
      <OrderMoves label={t('Orders that are through later than they were kept')} moves={later} time={time} />
      <Row>
        {isSearching ? (
          <Button onClick={onStop}>{t('Enough')}</Button>
        ) : (
          <Button onClick={onImprove}>{t('Look again')}</Button>
        )}
      </Row>
    </Stack>
  </Panel>
);
