import { DomainError, routeInputOf } from '@saltflat/contract';
import type { LineDocument, MaterialInput, Run } from '@saltflat/contract';
import { isFullFuse, shelfInstructions, shelfMakes, shelfTakes, transfersOf } from '@saltflat/core/route';
import type { Route, ShelfTake } from '@saltflat/core/route';
import type { FilmMade, RunState } from '@saltflat/core/run';
import { USUAL_KEEPS_DAYS, takeOldest } from '@saltflat/core/shelf';
import type { Tx } from '../../db/connection.ts';
import { kindName } from './kindName.ts';
import { asStanding } from './shelfStore.ts';
import type { ShelfStore, UseOf, WholePacket } from './shelfStore.ts';

type Line = Pick<Run['lines'][number], 'key' | 'lineId' | 'code' | 'routeNumber' | 'pieces' | 'route'>;
/** A run as the shelf sees it. */
export interface ShelfRun {
  id: string;
  lines: readonly Line[];
}
/** What is known of pieces that came out: by line, with what they were made with. */
type Lots = { line: string; lots: { material: string; lot: string }[] };

/** A kind of transfers on the shelf, in use or not. */
export interface ShelfKind {
  id: string;
  name: string;
  isRetired: boolean;
  properties: Record<string, unknown>;
}

interface Needs {
  store: ShelfStore;
  /** What a version of a route was planned from, and what a piece by it costs, cents; `null` where that was not kept. */
  plannedFrom: (
    lineId: string,
    number: number,
    tx: Tx,
  ) => Promise<{ document: LineDocument; cents: number; artworkIds: Record<string, string> } | null>;
  /** Kinds of transfers on the shelf there are, held against others who would add the same. */
  kinds: (tx: Tx) => Promise<ShelfKind[]>;
  addKind: (record: MaterialInput, tx: Tx) => Promise<string>;
  now: () => number;
}

/** What runs take off the shelf, and what they put on it: follows their events, whatever is taken back. */
export class ShelfOnFloor {
  constructor(private readonly needs: Needs) {}

  /**
   * Keeps for a run that begins what it will take, the oldest first.
   *
   * @throws DomainError where too little lies there that is nobody else’s
   */
  async hold(
    { id: runId, lines }: { id: string; lines: readonly Omit<Line, 'routeNumber'>[] },
    tx: Tx,
  ): Promise<void> {
    for (const { key: lineKey, lineId, code, route, pieces } of lines)
      for (const take of shelfTakes(route, pieces)) {
        const use = { runId, lineKey, lineId, print: take.print };
        const missing = await this.take(use, { take, count: take.count, taken: 0 }, tx);
        if (missing > 0) refuseShort(code, take, missing);
      }
  }

  /** Brings what was taken and what was made to what a run’s events now say. */
  async follow(
    { id: runId, lines }: ShelfRun,
    state: RunState,
    outcomes: readonly Lots[],
    tx: Tx,
  ): Promise<void> {
    for (const line of lines) {
      const { key: lineKey, lineId, route, pieces } = line;
      for (const take of shelfTakes(route, pieces)) {
        const taken = Object.values(state.parts).filter(
          (part) => part.line === lineKey && part.lane === take.lane && part.done > 0,
        ).length;
        const isOver = (state.finishedLines[lineKey] ?? null) !== null;
        const use = { runId, lineKey, lineId, print: take.print };
        await this.take(use, { take, count: isOver ? taken : Math.max(taken, take.count), taken }, tx);
      }
      await this.make(runId, line, { state, outcomes }, tx);
    }
  }

  /**
   * Has a print’s transfers come out of so many packets.
   *
   * @returns how many there are not; where some were taken all the same, they are owed by the packet that came last
   */
  private async take(
    use: UseOf,
    { take, count, taken }: { take: ShelfTake; count: number; taken: number },
    tx: Tx,
  ): Promise<number> {
    const { store, now } = this.needs;
    const packets = await store.lockKind(take.transfer.id, tx);
    const last = packets.at(-1);
    if (!last) return 0; // nobody counts them in packets
    const known = new Map(packets.map(({ row, uses }) => [row.id, uses.find((own) => isOf(own, use))]));
    const pieces = new Map(packets.map(({ row }) => [row.id, known.get(row.id)?.pieces ?? 0]));
    const had = [...pieces.values()].reduce((sum, own) => sum + own, 0);
    const add = (id: string, more: number): void => void pieces.set(id, (pieces.get(id) ?? 0) + more);
    const { from, missing } = takeOldest(packets.map(asStanding), Math.max(0, count - had), use.lineId);
    for (const own of from) add(own.id, own.pieces);
    if (missing > 0 && taken > 0) add(last.row.id, missing);
    let over = Math.max(0, had - count);
    for (const { row } of [...packets].reverse()) {
      const less = Math.min(over, pieces.get(row.id) ?? 0);
      add(row.id, -less);
      over -= less;
    }
    let open = taken;
    const wanted = packets.map(({ row }) => {
      const own = pieces.get(row.id) ?? 0;
      const out = Math.min(open, own);
      open -= out;
      return { packetId: row.id, pieces: own, taken: out };
    });
    const changed = wanted.filter((own) => {
      const before = known.get(own.packetId);
      return own.pieces !== (before?.pieces ?? 0) || own.taken !== (before?.taken ?? 0);
    });
    if (changed.length > 0) await store.writeUses(use, changed, new Date(now()), tx);
    return missing;
  }

  /** Puts what came out good into a packet for each size. */
  private async make(
    runId: string,
    line: Line,
    { state, outcomes }: { state: RunState; outcomes: readonly Lots[] },
    tx: Tx,
  ): Promise<void> {
    const makes = bySize(shelfMakes(line.route));
    if (makes.length === 0) return;
    const good = state.outcomes.filter((own) => own.line === line.key && own.verdict === 'good');
    const packets = await this.needs.store.madeBy(runId, tx);
    for (const make of makes) {
      const own = good.filter(({ part }) => make.slots.includes(state.parts[part]?.slot ?? 0));
      const packet = packets.find(
        ({ row, material }) =>
          !row.isLeftOver &&
          row.lineKey === line.key &&
          row.print === make.print &&
          widthOf(material) === make.widthMm,
      );
      const madeAt = new Date(own.reduce((last, { at }) => Math.max(last, Date.parse(at)), 0));
      if (packet && packet.row.pieces !== own.length)
        await this.needs.store.noteMade(
          packet.row.id,
          { pieces: own.length, madeAt: own.length > 0 ? madeAt : packet.row.madeAt },
          tx,
        );
      if (packet || own.length === 0) continue;
      const lots = outcomes.filter((row) => row.line === line.key).flatMap((row) => row.lots);
      const by = own[0]?.by ?? '';
      await this.begin(runId, line, { make, pieces: own.length, madeAt, by, lots, isLeftOver: false }, tx);
    }
  }

  /**
   * Puts what is left of a run’s film on the shelf: spares that no piece needed.
   *
   * @throws DomainError where nothing is left over, or it lies there already
   */
  async putAway(
    { id: runId, lines }: ShelfRun,
    { left, outcomes, by }: { left: LeftOver; outcomes: readonly Lots[]; by: string },
    tx: Tx,
  ): Promise<void> {
    const known = (await this.needs.store.madeBy(runId, tx)).filter(({ row }) => row.isLeftOver);
    if (known.length > 0)
      throw new DomainError('not-now', 'What was left over lies on the shelf already: look there.');
    let count = 0;
    for (const line of lines) {
      const over = left(line.key);
      const lots = outcomes.filter((row) => row.line === line.key).flatMap((row) => row.lots);
      for (const { print, film, sizes } of transfersOf(line.route)) {
        const slots = over.find((own) => own.print === print)?.slots ?? [];
        const makes = sizes.map(({ widthMm, slots: own }) => ({
          ...{ print, film, widthMm },
          slots: own.filter((slot) => slots.includes(slot)),
        }));
        for (const make of bySize(makes.filter((own) => own.slots.length > 0))) {
          const made = { make, pieces: make.slots.length, madeAt: new Date(this.needs.now()), by, lots };
          await this.begin(runId, line, { ...made, isLeftOver: true }, tx);
          count += make.slots.length;
        }
      }
    }
    if (count === 0)
      throw new DomainError('not-now', 'Nothing is left over of this run: every transfer is on its piece.');
  }

  private async begin(
    runId: string,
    { key: lineKey, lineId, routeNumber }: Line,
    made: {
      make: Make;
      pieces: number;
      madeAt: Date;
      by: string;
      lots: Lots['lots'];
      isLeftOver: boolean;
    },
    tx: Tx,
  ): Promise<void> {
    const planned = await this.needs.plannedFrom(lineId, routeNumber, tx);
    if (planned === null) return; // planned before that was kept: it is entered by hand
    const { make, pieces, madeAt, by, isLeftOver } = made;
    const record = kindOf(planned, make);
    const kinds = await this.needs.kinds(tx);
    const same = kinds.find((own) => !own.isRetired && isSameKind(own.properties, record.properties));
    const materialId =
      same?.id ?? (await this.needs.addKind({ ...record, name: freeName(record.name, kinds) }, tx));
    await this.needs.store.insert(
      {
        materialId,
        artworkId: planned.artworkIds[make.print] ?? null,
        origin: 'made',
        runId,
        lineKey,
        print: make.print,
        isLeftOver,
        madeAt,
        byName: by,
        cure: isFullFuse(routeInputOf(planned.document)) ? 'full' : 'light',
        lots: unique(made.lots),
        note: '',
        pieces,
      },
      tx,
    );
  }
}

/** Transfers that no piece needed, of a line of a run, by print. */
type LeftOver = (line: string) => FilmMade['left'];

type Make = ReturnType<typeof shelfMakes>[number];

/** Sizes as the shelf tells them apart: whole millimetres. */
function bySize(makes: readonly Make[]): Make[] {
  const found: Make[] = [];
  for (const make of makes) {
    const widthMm = Math.round(make.widthMm);
    const same = found.find((own) => own.print === make.print && own.widthMm === widthMm);
    if (same) same.slots.push(...make.slots);
    else found.push({ ...make, widthMm, slots: [...make.slots] });
  }
  return found;
}

/** The record of a kind of transfer that was made here. */
function kindOf(
  { document, cents }: { document: LineDocument; cents: number },
  { print, film, widthMm }: Make,
): MaterialInput {
  const { artwork } = document.prints.find(({ id }) => id === print) ?? { artwork: '' };
  return {
    kind: 'shelf-transfer',
    name: kindName(artwork, widthMm, film.name),
    maker: 'made here',
    lot: '',
    stock: null,
    stockUnit: 'pieces',
    properties: {
      artwork,
      widthMm,
      ...shelfInstructions(routeInputOf(document), print),
      keepsDays: USUAL_KEEPS_DAYS,
      keepAtLeast: 0,
      centsEach: Math.round(cents),
    },
  };
}

/** What tells one kind of transfer from another: art, size, and how it is pressed. Its price does not. */
const TELLING = ['artwork', 'widthMm', 'peel', 'pull', 'pressC', 'dwellS', 'kPa', 'secondPressS', 'sheet', 'capPressC']; // prettier-ignore

const isSameKind = (one: Record<string, unknown>, other: Record<string, unknown>): boolean =>
  TELLING.every((key) => JSON.stringify(sorted(one[key])) === JSON.stringify(sorted(other[key])));
const sorted = (value: unknown): unknown =>
  value !== null && typeof value === 'object' ? Object.entries(value).sort() : value;

function freeName(name: string, kinds: readonly { name: string }[]): string {
  const taken = new Set(kinds.map((own) => own.name.toLowerCase()));
  for (let n = 1; ; n++) {
    const own = n === 1 ? name : `${name} (${n})`;
    if (!taken.has(own.toLowerCase())) return own;
  }
}

const unique = (lots: Lots['lots']): Lots['lots'] =>
  lots.filter(
    ({ material, lot }, i) => lots.findIndex((own) => own.material === material && own.lot === lot) === i,
  );

const widthOf = ({ properties }: WholePacket['material']): number => Number(properties.widthMm);

const isOf = (own: UseOf, { runId, lineKey, print }: UseOf): boolean =>
  own.runId === runId && own.lineKey === lineKey && own.print === print;

function refuseShort(code: string, { transfer, count }: ShelfTake, missing: number): never {
  throw new DomainError(
    'not-now',
    `${code} takes ${count} of “${transfer.name}” off the shelf, and ${count - missing} are free: the rest is kept for others, or gone. Plan ${code} anew, or free some on the shelf.`,
  );
}

/** Whether a route has to do with the shelf at all. */
export const concernsShelf = (route: Route, pieces: number): boolean =>
  shelfTakes(route, pieces).length > 0 || shelfMakes(route).length > 0;
