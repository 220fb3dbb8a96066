import { readFileSync } from 'node:fs';
import type { PieceOutcome, RunEvent } from '@saltflat/core/run';
import { deriveRun, planOfLine } from '@saltflat/core/run';
import { expect } from 'chai';
import { parse } from '../validate.ts';
import { RouteDocument } from '../routes.ts';
import { readStoredRoute } from './storedRoute.ts';

/** A run as it was stored, and what the program of its day made of its events. */
interface GoldenRun {
  format: number;
  route: unknown;
  pieces: number;
  events: RunEvent[];
  then: {
    startedAt: string;
    finishedAt: string | null;
    pieces: number;
    outcomes: Pick<PieceOutcome, 'piece' | 'verdict' | 'faults' | 'at' | 'by'>[];
    ignored: number;
    doneByOperation: Record<string, number>;
    /** Piece, before and after, g. */
    weighed: [number, number, number][];
  };
}
const golden = (name: string): GoldenRun =>
  JSON.parse(readFileSync(new URL(`./golden/run-3-${name}.json`, import.meta.url), 'utf8')) as GoldenRun;

describe('runs stored before steps named their parts', () => {
  for (const name of ['dtf', 'dtg', 'platen-loads', 'patch', 'stock'])
    it(`come out as they did: ${name}`, () => {
      const { format, route: stored, pieces, events, then } = golden(name);
      const { route } = readStoredRoute(format, { route: stored, cost: {} });
      parse(RouteDocument, route);
      const state = deriveRun(planOfLine(route, pieces), events);
      expect(
        state.outcomes.map(({ piece, verdict, faults, at, by }) => ({ piece, verdict, faults, at, by })),
      ).to.deep.equal(
        then.outcomes.map(({ piece, verdict, faults, at, by }) => ({ piece, verdict, faults, at, by })),
      );
      const { startedAt, finishedAt } = state;
      expect({ startedAt, finishedAt, pieces: state.pieces, ignored: state.ignored.length }).to.deep.equal({
        startedAt: then.startedAt,
        finishedAt: then.finishedAt,
        pieces: then.pieces,
        ignored: then.ignored,
      });
      const done = state.steps.filter(({ status }) => status === 'done');
      for (const [id, count] of Object.entries(then.doneByOperation))
        expect(
          done.filter(({ operation }) => operation === id).reduce((sum, { parts }) => sum + parts.length, 0),
          id,
        ).to.equal(count);
      expect(
        done
          .filter(({ beforeG }) => beforeG !== null)
          .map(({ parts, beforeG, afterG }) => [state.parts[parts[0]!]!.number, beforeG, afterG])
          .sort(([p], [q]) => p! - q!),
      ).to.deep.equal([...then.weighed].sort(([p], [q]) => p - q));
    });
});
