import type { Run } from '@saltflat/contract';
import { runPlanOf } from '@saltflat/contract';
import { deriveRun } from '@saltflat/core/run';
import { inventRun } from '@saltflat/demo';
import { expect } from 'chai';
import { lineInput, plannedOrder, startTestServer } from '../testing/testServer.ts';
import type { TestServer } from '../testing/testServer.ts';

describe('the made-up past', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  /** The run of a new line of a garment, as the floor gets it. */
  const runOf = async (colour: string, process: 'dtf' | 'dtg'): Promise<Run> => {
    const style = server.catalogue.styles.find(({ name }) => name === 'Harbour tee')!;
    const colourId = style.colours.find(({ name }) => name === colour)?.id ?? '';
    const artworkId = (await plannedOrder(server)).lines[0]!.prints[0]!.artwork!.id;
    const order = await plannedOrder(server, {
      lines: [lineInput(server, { artworkId, colourId, process, sizes: [{ size: 'M', quantity: 40 }] })],
    });
    const answer = await server.api
      .post('/api/v1/runs')
      .send({ lineIds: [order.lines[0]!.id], by: 'Ines' })
      .expect(201);
    return answer.body as Run;
  };
  /** What twenty such runs came to. */
  const outcomesOf = (run: Run) =>
    Array.from({ length: 20 }, (_, seed) => {
      const events = inventRun(run, { piecesJudged: run.lines[0]!.pieces, startMs: 0, seed, by: 'Ines' });
      const state = deriveRun(runPlanOf(run), events);
      expect(state.ignored, `seed ${seed}: every event can have happened`).to.deep.equal([]);
      return state.outcomes;
    }).flat();

  it('spoils three to six pieces in a hundred, most of them made again', async () => {
    const outcomes = outcomesOf(await runOf('Navy', 'dtf'));
    const spoilt = outcomes.filter(({ verdict }) => verdict !== 'good');
    expect(spoilt.length / outcomes.length).to.be.within(0.03, 0.06);
    const again = spoilt.filter(({ verdict }) => verdict === 'reprint');
    expect(again.length).to.be.above(spoilt.length / 2);
    expect(spoilt.length - again.length, 'some are beyond it').to.be.above(0);
    expect(spoilt.every(({ faults }) => faults.length > 0)).to.equal(true);
  });

  it('has no fault of the white or the pretreatment where there is none', async () => {
    const strange = ['white-rim', 'dull-white', 'white-over-colour', 'stain-box'];
    const strangeIn = (run: Run): string[] =>
      outcomesOf(run).flatMap(({ faults }) => faults.filter((fault) => strange.includes(fault)));
    expect(strangeIn(await runOf('White', 'dtg'))).to.deep.equal([]);
    const onDark = strangeIn(await runOf('Navy', 'dtg')); // where there is, there are
    expect(onDark).to.include.members(['white-rim', 'stain-box']);
  });
});
