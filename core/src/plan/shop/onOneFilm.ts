import { partId } from '../../run/index.ts';
import type { RunLine, SharedSheet } from '../../run/index.ts';
import { partsIn } from '../../work/index.ts';
import type { ShopJob } from './shopInstance.ts';

/**
 * Lines that are each made by themselves as one job whose film they share, as it would be laid out: each transfer takes
 * what share of a sheet it takes on its own line’s, and sheets are filled one after the other. How it really lies only a
 * layout says.
 *
 * @param jobs of one line each, not begun, that print on the same film by the same printer
 */
export function onOneFilm(jobs: readonly ShopJob[]): ShopJob {
  const renamed = jobs.map(({ plan: { lines } }, i): RunLine => ({ ...lines[0], key: String(i + 1) }));
  const of = (line: RunLine): { job: ShopJob; line: RunLine } => {
    const job = jobs[Number(line.key) - 1];
    return { job, line: job.plan.lines[0] };
  };
  return {
    key: `one film ${jobs.map(({ key }) => key).join(' ')}`,
    plan: { lines: renamed, sheets: sheetsOf(renamed), flow: jobs[0].plan.flow },
    state: null,
    lines: jobs.map(({ lines: [line] }) => line),
    titleOf: (line, operation) => of(line).job.titleOf(of(line).line, operation),
    paceOf: (line, operation) => of(line).job.paceOf(of(line).line, operation),
  };
}

function sheetsOf(lines: readonly RunLine[]): SharedSheet[] {
  const sheets: string[][] = [];
  let free = 0;
  for (const { key, lanes, operations, pieces } of lines)
    for (const { id: lane, part } of lanes) {
      const printing = operations.find((own) => own.lane === lane && own.role === 'print');
      if (part !== 'transfer' || printing === undefined) continue;
      const count = partsIn(lanes, lane, pieces);
      const share = 1 / Math.max(1, printing.size ?? count);
      for (let slot = 1; slot <= count; slot++) {
        if (free < share - 1e-9) {
          sheets.push([]);
          free = 1;
        }
        free -= share;
        sheets[sheets.length - 1].push(partId({ line: key, lane, slot, attempt: 1 }));
      }
    }
  return sheets.map((parts, i) => ({ id: String(i + 1), parts }));
}
