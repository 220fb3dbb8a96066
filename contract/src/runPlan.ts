import type { RunPlan } from '@saltflat/core/run';
import type { Run } from './runs.ts';

type Planned = Pick<Run, 'sheets'> & {
  lines: readonly Pick<Run['lines'][number], 'key' | 'route' | 'pieces'>[];
};

/** The plan of a run, for server and browser alike: its lines by their routes, begun as the first of them says. */
export const runPlanOf = ({ lines, sheets }: Planned): RunPlan => ({
  lines: lines.map(({ key, route, pieces }) => ({
    key,
    lanes: route.lanes,
    operations: route.operations,
    pieces,
  })),
  sheets,
  flow: lines[0]?.route.flow ?? 'through',
});
