import type { LineOnOrder, Order, RouteVersion } from '@saltflat/contract';
import type { Paper } from '../../pdf/index.ts';
import type { RunSheet } from './runSheetPdf.ts';

interface Needs {
  findLine: (lineId: string) => Promise<LineOnOrder>;
  findOrder: (orderId: string) => Promise<Order>;
  currentRoute: (lineId: string) => Promise<RouteVersion>;
  picture: (lineId: string, print: string, version: number, maxPx: number) => Promise<{ bytes: Buffer }>;
  writeSheet: (sheet: RunSheet, paper: Paper) => Promise<Buffer>;
  now: () => number;
}

const PICTURE_PX = 700;

/** The sheet for the floor on paper. */
export class PaperService {
  constructor(private readonly needs: Needs) {}

  /** The route a line is made by, with the pictures of its prints as that route prints them and its bar code. */
  async runSheet(lineId: string, paper: Paper): Promise<{ name: string; bytes: Buffer }> {
    const { findLine, findOrder, currentRoute, picture, writeSheet, now } = this.needs;
    const { line, orderId, customer, dueAt } = await findLine(lineId);
    const { note } = await findOrder(orderId);
    const version = await currentRoute(lineId);
    const pictures: RunSheet['pictures'] = [];
    for (const { id } of version.route.prints)
      pictures.push({ print: id, picture: (await picture(lineId, id, version.number, PICTURE_PX)).bytes });
    const bytes = await writeSheet(
      {
        code: line.code,
        customer,
        dueAt,
        garment: `${line.colour.name} ${line.styleName}`,
        kind: line.styleKind,
        note,
        artOverrule: line.artOverrule,
        route: version.route,
        routeNumber: version.number,
        pieces: version.pieces,
        pictures,
        madeAt: new Date(now()).toISOString(),
      },
      paper,
    );
    return { name: `${line.code.replace('/', '-')}-run-sheet.pdf`, bytes };
  }
}
