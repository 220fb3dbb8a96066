import type {
  BenchNote,
  BenchNoteInput,
  Calibration,
  CalibrationInput,
  PressChecks,
  PressureTest,
  PressureTestInput,
  RouteVersion,
  Survey,
  SurveyInput,
} from '@saltflat/contract';
import { benchVariants } from '@saltflat/core/heat';
import { inWords } from '@saltflat/core/words';
import { expect } from 'chai';
import { plannedOrder, startTestServer } from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

const never = (): never => {
  throw new Error('the bench has no parchment');
};

describe('what is measured of presses', function () {
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
  const send = (body: object, id = pressId, checks = 'surveys') =>
    server.api.post(`/api/v1/machines/${id}/${checks}`).send(body);
  const pressA = async (): Promise<PressChecks[number] | undefined> =>
    (await server.get<PressChecks>('/presses')).find(({ machineId }) => machineId === pressId);

  it('is kept one after the other and told with each press', async () => {
    const before = await server.get<PressChecks>('/presses');
    expect(before.map(({ name, survey }) => [name, survey])).to.deep.equal([
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
    expect((await pressA())?.survey?.number).to.equal(2);
  });

  it('cannot be changed once it is kept', async () => {
    const change = await server.db.models.pressChecks.update({ number: 9 }, { where: { number: 1 } }).then(
      () => null,
      (error: unknown) => error as Error,
    );
    expect(change?.message).to.match(/press_check/);
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
    it(`is refused in words: ${name}`, async () => {
      const answer = await send(body);
      expect(answer.status).to.equal(status);
      expect((answer.body as { detail: string }).detail).to.match(sentence);
    });

  it('is of presses alone', async () => {
    expect(
      (await send(input, server.catalogue.machines.find(({ kind }) => kind === 'oven')?.id)).status,
    ).to.equal(404);
  });

  const pressure: PressureTestInput = {
    marks: [
      { mark: 2, by: 'strip', value: 1.8 },
      { mark: 5, by: 'strip', value: 4.8 },
      { mark: 8, by: 'holds', value: null },
    ],
    strip: { widthMm: 20, lengthMm: 100, underKg: 5, pulledKg: 3 },
    cylinders: null,
    note: '',
    by: 'Ada',
  };

  it('counts pressure tests by themselves, and refuses marks that cannot be', async () => {
    const kept = (await send(pressure, pressId, 'pressure-tests')).body as PressureTest;
    expect([kept.number, kept.input]).to.deep.equal([1, pressure]);
    expect((await pressA())?.pressure?.id).to.equal(kept.id);
    const falling = [pressure.marks[1], { mark: 7, by: 'slides', value: null }];
    const answer = await send({ ...pressure, marks: falling }, pressId, 'pressure-tests');
    expect(answer.status).to.equal(400);
    expect((answer.body as { detail: string }).detail).to.match(
      /^Mark 5 comes to 39\s?kPa and mark 7, which should press harder, to 10\s?kPa\. One of the two/,
    );
    const untold = await send({ ...pressure, strip: null }, pressId, 'pressure-tests');
    expect((untold.body as { detail: string }).detail).to.match(/Mark 2 was tested by pulling a strip, but/);
  });

  const parchment = benchVariants('mat').find(({ name }) => name === 'parchment') ?? { stack: never() };
  const calibration: CalibrationInput = {
    stack: parchment.stack,
    plateOffsetC: -9,
    channels: [],
    strips: [{ at: 'glue', highestC: 136 }],
    recipes: [
      { plateC: 160, dwellS: 15, kPa: 35, held: true },
      { plateC: 160, dwellS: 12, kPa: 35, held: false },
    ],
    note: '',
    by: 'Ada',
  };

  it('takes a calibration that tells something, and says what of it does not', async () => {
    const kept = (await send(calibration, pressId, 'calibrations')).body as Calibration;
    expect([kept.number, kept.input]).to.deep.equal([1, calibration]);
    const detail = async (own: Partial<CalibrationInput>): Promise<string> =>
      ((await send({ ...calibration, ...own }, pressId, 'calibrations')).body as { detail: string }).detail;
    const swapped = calibration.recipes.map((own) => ({ ...own, held: !own.held }));
    expect(await detail({ strips: [], recipes: swapped })).to.match(/came off has .+, which is more/);
    expect(await detail({ strips: [{ at: 'stiffener', highestC: 130 }] })).to.match(/no “stiffener”/);
    expect(await detail({ strips: [], recipes: [] })).to.match(/nothing in it yet/);
    expect(await detail({ stack: { ...parchment.stack, plateC: 900 } })).to.match(
      /“Plate” must be at most 230/,
    );
  });

  it('is what the next route is planned with: its gauge, and what the model says of its dwell', async () => {
    const order = await plannedOrder(server);
    const lineId = order.lines[0]?.id ?? '';
    const version = await server.get<RouteVersion>(`/lines/${lineId}/route`);
    const bond = version.route.operations.find(({ role }) => role === 'bond');
    const pressed = bond?.settings.find(({ kind }) => kind === 'pressure');
    expect(pressed?.value).to.equal(50);
    // 4.8 kg came to 39.2 kPa at mark 5, and paper that holds to 60 at mark 8: 50 lies at 6.55; by what was typed in it were 5
    expect(pressed?.reasons.map(({ said }) => inWords(said)).join(' ')).to.include(
      'By the gauge on Press A that is mark 6.5.',
    );
    const document = await server.get<{ presses?: Record<string, object> }>(`/lines/${lineId}/document`);
    expect(document.presses?.[pressId]).to.have.property('calibratedOn');
  });

  it('notes stacks of the bench, and throws notes away', async () => {
    const note: BenchNoteInput = {
      name: 'Mat or none',
      text: 'A cold mat is hopeless',
      variants: [{ name: 'Parchment', stack: parchment.stack }],
      by: 'Ada',
    };
    const kept = (await server.api.post('/api/v1/bench-notes').send(note)).body as BenchNote;
    expect((await server.get<BenchNote[]>('/bench-notes')).map(({ input: own }) => own)).to.deep.equal([
      note,
    ]);
    const remove = () => server.api.post(`/api/v1/bench-notes/${kept.id}/removal`);
    expect((await remove()).body).to.deep.equal(kept);
    expect((await remove()).status).to.equal(404);
    expect(await server.get<BenchNote[]>('/bench-notes')).to.deep.equal([]);
  });
});
