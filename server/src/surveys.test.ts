import type { NewestSurveys, Survey, SurveyInput } from '@saltflat/contract';
import { expect } from 'chai';
import { startTestServer } from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('surveys of presses', function () {
  let server: TestServer;
  let pressId = '';
  before(async () => {
    server = await startTestServer();
    pressId = machineNamed('Press A');
  });
  after(() => server.stop());
  const machineNamed = (name: string): string =>
    server.catalogue.machines.find((own) => own.name === name)?.id ?? '';

  const input: SurveyInput = {
    setC: 160,
    readOff: 'sponge-pad',
    closedS: 60,
    lateS: 1,
    roomC: 24,
    note: '',
    by: 'Ada',
    readings: [
      { xMm: 40, yMm: 40, readC: 136 },
      { xMm: 360, yMm: 40, readC: 137 },
      { xMm: 200, yMm: 250, readC: 138 },
      { xMm: 40, yMm: 460, readC: 135 },
      { xMm: 360, yMm: 460, readC: 127 },
    ],
  };
  const send = (body: object, id = pressId) => server.api.post(`/api/v1/machines/${id}/surveys`).send(body);

  it('are kept one after the other and told with each press', async () => {
    const before = await server.get<NewestSurveys>('/surveys');
    expect(before.map(({ name, newest }) => [name, newest])).to.deep.equal([
      ['Press A', null],
      ['Press B', null],
      ['Cap press', null],
    ]);
    expect((await send(input)).status).to.equal(201);
    expect(((await send({ ...input, by: 'Ben' })).body as Survey).number).to.equal(2);
    const all = await server.get<Survey[]>(`/machines/${pressId}/surveys`);
    expect(all.map(({ number, input: own }) => [number, own.by])).to.deep.equal([
      [2, 'Ben'],
      [1, 'Ada'],
    ]);
    expect(all[1]?.input).to.deep.equal(input);
    const [newest] = await server.get<NewestSurveys>('/surveys');
    expect(newest?.newest?.number).to.equal(2);
  });

  it('cannot be changed once they are kept', async () => {
    const change = await server.db.models.surveys.update({ number: 9 }, { where: { number: 1 } }).then(
      () => null,
      (error: unknown) => error as Error,
    );
    expect(change?.message).to.match(/press_survey/);
  });

  const refused: [string, object, number, RegExp][] = [
    [
      'three readings',
      { ...input, readings: input.readings.slice(0, 3) },
      400,
      /“Readings” needs at least 5/,
    ],
    [
      'a reading off the plate',
      { ...input, readings: [...input.readings, { xMm: 900, yMm: 40, readC: 136 }] },
      400,
      /Reading 6 lies off the plate: Press A is 400 by 500 mm/,
    ],
    ['nobody’s name', { ...input, by: '' }, 400, /Who measured it/],
    ['a plate at 900 °C', { ...input, setC: 900 }, 400, /“What the display says” must be at most 230/],
  ];
  for (const [name, body, status, sentence] of refused)
    it(`are refused in words: ${name}`, async () => {
      const answer = await send(body);
      expect(answer.status).to.equal(status);
      expect((answer.body as { detail: string }).detail).to.match(sentence);
    });

  it('are of presses alone', async () => {
    expect(
      (await send(input, server.catalogue.machines.find(({ kind }) => kind === 'oven')?.id)).status,
    ).to.equal(404);
  });
});
