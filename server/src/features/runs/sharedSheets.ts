import { refused } from '@saltflat/contract';
import type { Run, RunStart } from '@saltflat/contract';
import type { Route } from '@saltflat/core/route';
import { partId } from '@saltflat/core/run';

interface OnSheet {
  lineId: string;
  code: string;
  pieces: number;
  route: Route;
}

/**
 * Film that lines share, by the names its transfers have in the run.
 *
 * @param lines in the order they are in the run
 * @throws DomainError `invalid-input` where a line, print or piece is not there, or is on two sheets
 */
export function sharedSheets(
  sheets: NonNullable<RunStart['sheets']>,
  lines: readonly OnSheet[],
): Run['sheets'] {
  const taken = new Set<string>();
  return sheets.map((sheet, i) => {
    const parts = sheet.flatMap(({ lineId, print, pieces }, j) => {
      const path = `/sheets/${i}/${j}`;
      const place = lines.findIndex((own) => own.lineId === lineId);
      const line = lines[place];
      if (!line)
        throw refused(`${path}/lineId`, `Sheet ${i + 1} carries a line that is not started with it.`);
      const lane = line.route.lanes.find((own) => own.part === 'transfer' && own.print === print);
      if (!lane)
        throw refused(
          `${path}/print`,
          `${line.code} has no film for a print “${print}”, so none of it can share a sheet.`,
        );
      return pieces.map((slot) => {
        if (slot > line.pieces + lane.spares)
          throw refused(
            `${path}/pieces`,
            lane.spares > 0
              ? `${line.code} has ${line.pieces} pieces and ${lane.spares} to spare; there is no transfer ${slot}.`
              : `${line.code} has ${line.pieces} pieces; there is no piece ${slot}.`,
          );
        const id = partId({ line: String(place + 1), lane: lane.id, slot, attempt: 1 });
        if (taken.has(id))
          throw refused(`${path}/pieces`, `The transfer for piece ${slot} of ${line.code} is on two sheets.`);
        taken.add(id);
        return id;
      });
    });
    return { id: String(i + 1), parts };
  });
}
