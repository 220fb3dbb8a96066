import { readFileSync } from 'node:fs';
import { DEFAULT_RATES, priceRoute } from '@saltflat/core/cost';
import { DEFAULT_HOUSE, planRoute } from '@saltflat/core/route';
import { compileSteps, countdownS, planOfLine } from '@saltflat/core/run';
import { handsS } from '@saltflat/core/work';
import { expect } from 'chai';
import {
  ArtworkJob,
  DomainError,
  LineDocument,
  ROUTE_FORMAT,
  parse,
  readArtworkJob,
  readLineDocument,
  readPlanInput,
  readStoredRoute,
  routeInputOf,
} from '../index.ts';
import { CostDocument, RouteDocument } from '../routes.ts';

interface Golden {
  route: Record<string, unknown> & { operations: Record<string, unknown>[] };
  cost: Record<string, number>;
}
const golden = (name: string): Golden =>
  JSON.parse(readFileSync(new URL(`./golden/${name}.json`, import.meta.url), 'utf8')) as Golden;
const refusal = (work: () => unknown): string => {
  try {
    work();
    return 'taken';
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return error.message;
  }
};

describe('stored routes', () => {
  for (const format of [1, 2, 3, 4, 5, 6, 7])
    for (const process of ['dtf', 'dtg'])
      it(`of format ${format} (${process}) are whole when they are read, and the floor can run them`, () => {
        const stored = golden(`route-${format}-${process}`);
        const before = JSON.stringify(stored);
        const { route, cost } = readStoredRoute(format, stored);
        parse(RouteDocument, route);
        parse(CostDocument, cost);
        expect(JSON.stringify(stored), 'what is stored is not changed').to.equal(before);
        expect(route.operations.map(({ id }) => id)).to.deep.equal(
          stored.route.operations.map(({ id }) => id),
        );
        const steps = compileSteps(planOfLine(route, 5));
        for (const { id, role, lane } of route.operations) {
          const own = steps.filter(({ operation }) => operation.id === id);
          expect(
            own.reduce((sum, { parts }) => sum + parts.length, 0),
            id,
          ).to.equal(5);
          expect(route.lanes.map((each) => each.id)).to.include(lane);
          if (role === 'inspect') expect(own, id).to.have.length(5);
        }
        for (const { id, operation, parts } of steps)
          expect(
            Number.isFinite(countdownS(operation, { parts: parts.map(({ slot }) => String(slot)) })),
            id,
          ).to.equal(true);
        const hands = route.operations.reduce((sum, own) => sum + handsS(own, 24), 0);
        if (format === 3) expect(hands / route.totals.handsS, 'minutes are kept').to.be.within(0.99, 1.01);
        const { blankCents, materials, labourCents, setUpCents, machineCents, warmUpCents, spoilageCents } =
          cost;
        const sum = materials.reduce((all, { cents }) => all + cents, blankCents + labourCents);
        expect(sum + setUpCents + machineCents + warmUpCents + spoilageCents).to.be.closeTo(
          cost.totalCents,
          1e-6,
        );
      });

  it('of the newest format are read as they are, and of an unknown one not at all', () => {
    const stored = golden(`route-${ROUTE_FORMAT}-dtf`);
    expect(readStoredRoute(ROUTE_FORMAT, stored)).to.deep.equal(stored);
    expect(refusal(() => readStoredRoute(ROUTE_FORMAT + 1, stored))).to.equal(
      `The route is of format ${ROUTE_FORMAT + 1}; this Saltflat reads formats 1 to ${ROUTE_FORMAT}.`,
    );
  });
});

describe('a line document', () => {
  it('of the first format plans as it did: the golden route of its day, but for what was learnt since', () => {
    const line = readLineDocument(golden('line-1'));
    parse(LineDocument, line);
    const planned = planRoute(routeInputOf(line));
    if (!planned.ok) throw new Error('it was refused');
    const was = golden('route-3-dtf');
    // since then a printer is readied once, film goes in sheets, and of a roll what a layout takes is paid for: two of
    // 190 × 200 mm across 600 mm, three rows with 5 mm between them and along the edges in each of four pieces, for 24
    // prints at 4.20 €/m²; the other materials of a piece are the same
    const filmCents = ((4 * (3 * 0.2 + 2 * 0.005 + 2 * 0.005) * 0.6) / 24) * 420;
    expect(planned.route.operations.map(({ id }) => id)).to.deep.equal([
      'ready-printer',
      ...was.route.operations.map(({ id }) => id),
    ]);
    const { materials } = priceRoute(planned.route, line.blankCents, line.pieces, line.rates);
    const before = (was.cost as unknown as { materials: typeof materials }).materials;
    expect(materials.map(({ what, cents }) => [what, cents.toFixed(6)])).to.deep.equal(
      before.map(({ what, cents }) => [what, (what === 'Scree Matt Cold 75' ? filmCents : cents).toFixed(6)]),
    );
    expect(line).to.deep.include({ format: 7, house: DEFAULT_HOUSE, rates: DEFAULT_RATES, overrides: [] });
    expect(line.sizes.map(({ cents }) => cents)).to.deep.equal([343, 343, 343, 343]);
  });

  it('of the time before a line had several prints has one', () => {
    const stored = golden('line-3') as unknown as {
      process: string;
      print: { pretreatmentM2: number };
      placement: { key: string; dropMm: number; sizes: unknown[]; areas: unknown[]; grades: unknown[] };
    };
    const line = readLineDocument(stored);
    const { key, dropMm, grades, sizes, areas } = stored.placement;
    const { pretreatmentM2, ...needs } = stored.print;
    expect(line.prints).to.deep.equal([
      {
        id: '1',
        process: stored.process,
        artwork: '',
        print: { ...needs, sprayM2: { box: pretreatmentM2, shape: pretreatmentM2 } }, // its shape was not known
        placement: { key, dropMm, grades },
      },
    ]);
    expect(line).to.deep.include({ sizes, areas });
    expect(line).to.deep.equal(readLineDocument(golden('line-1')));
  });

  it('kept with a route knows how each print was measured', () => {
    const art = { artworkId: 'a', analysis: 4, job: { widthMm: 280 } };
    expect(readPlanInput({ format: 1, planner: 2, line: {}, art }).art).to.deep.equal([
      { print: '1', ...art },
    ]);
    const kept = { format: 2, planner: 3, line: {}, art: [{ print: '2', ...art }] };
    expect(readPlanInput(kept)).to.deep.equal(kept);
  });

  it('says what is wrong with it, field by field, in any format', () => {
    const older = golden('line-1') as unknown as Record<string, unknown>;
    expect(refusal(() => readLineDocument({ ...older, pieces: 0 }))).to.equal(
      '“Pieces” must be at least 1, but 0 was given.',
    );
    expect(refusal(() => readLineDocument({ ...older, format: 9 }))).to.contain('of format 9');
    expect(refusal(() => readLineDocument({ ...older, format: 'two' }))).to.contain('format NaN');
    expect(refusal(() => readLineDocument({ pieces: 4 }))).to.contain('missing');
    expect(refusal(() => readLineDocument(null))).to.contain('“Pieces” is missing');
  });
});

describe('an artwork job', () => {
  it('of the first format takes its knock-out as the first step', () => {
    const job = readArtworkJob(golden('job-1'));
    parse(ArtworkJob, job);
    expect(job.steps?.map(({ kind }) => kind)).to.deep.equal(['knock-out', 'drop-specks']);
    expect(job.steps?.[0]).to.deep.equal({
      kind: 'knock-out',
      hex: '#040404',
      tol: 8,
      soft: 14,
      mode: 'global',
    });
  });

  it('names what is wrong in the words of its format', () => {
    const knockout = { hex: 'black', tol: 8, soft: 14, mode: 'global' };
    expect(refusal(() => readArtworkJob({ ...golden('job-1'), knockout }))).to.contain('Colour to take out');
    expect(refusal(() => readArtworkJob({ ...golden('job-1'), format: 2 }))).to.contain(
      'no field “knockout”',
    );
    expect(refusal(() => readArtworkJob([]))).to.contain('set of fields');
  });
});
