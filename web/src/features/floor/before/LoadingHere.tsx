import type { FloorAction } from '@saltflat/core/run';
import { readiedKey } from '@saltflat/core/run';
import type { Operation, Role } from '@saltflat/core/work';
import { LoadingCard } from '../../../loading/index.ts';
import { Fold } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { lineOf } from '../moments.ts';
import type { LiveRun } from '../useRunState.ts';

/** Where a garment is laid on a platen, or the platen is made ready for it. */
const LAYS: readonly Role[] = ['set-up', 'load', 'print'];

interface Props {
  live: LiveRun;
  action: FloorAction;
  operation: Operation;
}

/** How the garment is laid for this print: in full before the first, then one press away. */
export function LoadingHere({ live: { run, state }, action, operation }: Props) {
  const line = lineOf(run, action.step.line);
  const lane = line.route.lanes.find(({ id }) => id === operation.lane);
  if (!LAYS.includes(operation.role) || lane?.part !== 'blank') return null;
  const laid = line.route.prints.filter(({ id }) => operation.print === null || operation.print === id);
  const isKnown = operation.role === 'print' && state.readied[readiedKey(action.step)] !== undefined;
  return (
    <>
      {laid.map(
        ({ id, loading, placement }) =>
          loading && (
            <div key={id} style={{ margin: '0 20px 14px' }}>
              <Fold
                level={3}
                key={String(isKnown)}
                title={t('How it is laid on the platen')}
                isOpenAtFirst={!isKnown}
              >
                <LoadingCard
                  card={loading}
                  placement={placement.key}
                  colourHex={line.colourHex}
                  picture={`/api/v1/lines/${line.lineId}/picture?print=${id}&version=${line.routeNumber}`}
                />
              </Fold>
            </div>
          ),
      )}
    </>
  );
}
