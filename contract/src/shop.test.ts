import { fibresOf } from '@saltflat/core/blank';
import { DEFAULT_RATES } from '@saltflat/core/cost';
import { DEFAULT_HOUSE, HOUSE_KEYS } from '@saltflat/core/route';
import { expect } from 'chai';
import {
  DomainError,
  HouseDocument,
  RatesDocument,
  equipmentOf,
  parse,
  parseBlank,
  parseMachine,
  parseMaterial,
  patchOf,
} from './index.ts';
import type { BlankInput, GarmentStyle, MachineInput, Material, MaterialInput } from './index.ts';

const refusal = (work: () => unknown): { message: string; paths: string[] } => {
  try {
    work();
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { message: error.message, paths: error.extra.fields?.map(({ path }) => path) ?? [] };
  }
  return { message: 'taken', paths: [] };
};

const blank: BlankInput = {
  name: 'Made-up tee',
  maker: '',
  kind: 'tee',
  fibres: fibresOf({ cotton: 0.9, polyester: 0.1 }),
  construction: 'knit',
  massGM2: 180,
  thicknessMm: null,
  features: [],
  maxPressC: null,
  pretreated: null,
  colours: [{ name: 'Navy', hex: '#1b2a4a', tone: 'dark', dye: 'dyed' }],
  sizes: [{ size: 'M', cents: 340, bodyWidthMm: 510, collarDropMm: null }],
  areas: [],
};
const film: MaterialInput = {
  kind: 'film',
  name: 'Made-up film',
  maker: '',
  lot: '',
  stock: null,
  stockUnit: '',
  properties: {
    peel: 'cold',
    pull: 'slow',
    coated: 'one',
    isGlitter: false,
    widthMm: 600,
    heightMm: null,
    pressC: { min: 130, max: 165 },
    dwellS: { min: 10, max: 30 },
    centsPerM2: 420,
  },
};
const press: MachineInput = {
  kind: 'press',
  name: 'Made-up press',
  maker: '',
  properties: {
    opening: 'swing',
    isAutoOpening: false,
    hasHeatedLower: false,
    plateC: { min: 20, max: 220 },
    heatsPerMin: 12,
    coolsPerMin: 2.5,
    kPa: { min: 5, max: 90 },
    pressureScale: [],
    widthMm: 400,
    heightMm: 500,
  },
};
const withProperties = <T extends { properties: Record<string, unknown> }>(record: T, own: object): T => ({
  ...record,
  properties: { ...record.properties, ...own },
});

describe('records of the set-up', () => {
  it('are taken as they are when they are sound', () => {
    expect(parseBlank(blank)).to.deep.equal(blank);
    expect(parseMaterial(film)).to.deep.equal(film);
    expect(parseMachine(press)).to.deep.equal(press);
  });

  it('refuse a blank whose fibres are no whole, whose colours or sizes repeat, or that has none', () => {
    const { fibres, colours, sizes } = blank;
    expect(refusal(() => parseBlank({ ...blank, fibres: { ...fibres, cotton: 0.8 } })).message).to.equal(
      'The fibres make 90 % together; they must make 100 %.',
    );
    expect(refusal(() => parseBlank({ ...blank, colours: [...colours, ...colours] })).message).to.contain(
      '“Navy” is there twice',
    );
    expect(refusal(() => parseBlank({ ...blank, sizes: [...sizes, ...sizes] })).message).to.contain(
      '“M” is there twice',
    );
    expect(refusal(() => parseBlank({ ...blank, colours: [] })).paths).to.deep.equal(['/colours']);
  });

  it('say of a blank half described as pretreated what is missing of it, and nothing else', () => {
    const spans = { pressC: { min: 150, max: 160 }, pressS: { min: 5, max: null } };
    const pretreated = { fluid: 'Mill primer', fibre: 'cotton', ...spans, shelfDays: 200 };
    const half = refusal(() => parseBlank({ ...blank, pretreated }));
    expect(half.paths).to.deep.equal(['/pretreated/pressS/max']);
    expect(half.message).to.equal('“Pretreated: time to” is missing.');
    const crossed = refusal(() =>
      parseBlank({ ...blank, pretreated: { ...pretreated, pressS: { min: 9, max: 6 } } }),
    );
    expect(crossed.message).to.equal('“Pretreated: time” begins at 9, above where it ends, 6.');
    const whole = { ...blank, pretreated: { ...pretreated, pressS: { min: 5, max: 8 } } };
    expect(parseBlank(whole)).to.deep.equal(whole);
  });

  it('name the field within the properties that is wrong', () => {
    expect(refusal(() => parseMaterial(withProperties(film, { peel: 'tepid' }))).paths).to.deep.equal([
      '/properties/peel',
    ]);
    expect(
      refusal(() => parseMaterial(withProperties(film, { pressC: { min: 130, max: 900 } }))).message,
    ).to.contain('“Press to” must be at most 350, but 900 was given.');
    expect(
      refusal(() => parseMachine(withProperties(press, { kPa: { min: 90, max: 5 } }))).message,
    ).to.contain('“Pressure” begins at 90, above where it ends, 5.');
    expect(refusal(() => parseMachine(withProperties(press, { colour: 'red' }))).message).to.contain(
      'There is no field “colour”',
    );
  });

  it('refuse house methods with a choice that is none, and rates without a price', () => {
    expect(parse(HouseDocument, DEFAULT_HOUSE)).to.deep.equal(DEFAULT_HOUSE);
    expect(refusal(() => parse(HouseDocument, { ...DEFAULT_HOUSE, filmPeel: 'tepid' })).message).to.equal(
      '“Film: peel” must be one of cold, warm, hot, but “tepid” was given.',
    );
    const [first] = HOUSE_KEYS;
    const { [first!]: _left, ...rest } = DEFAULT_HOUSE;
    expect(refusal(() => parse(HouseDocument, rest)).message).to.contain('is missing');
    expect(parse(RatesDocument, DEFAULT_RATES)).to.deep.equal(DEFAULT_RATES);
    expect(refusal(() => parse(RatesDocument, { ...DEFAULT_RATES, marginShare: 1 })).message).to.contain(
      '“Margin of the price”',
    );
  });
});

describe('equipment out of the set-up', () => {
  const stored = (record: MaterialInput, name: string): Material => ({
    ...record,
    name,
    id: name,
    learnt: null,
    version: 1,
  });

  it('keeps lists in the shop’s order, and has nothing where there is none', () => {
    const { films, powders, ovens, inkSets } = equipmentOf({
      materials: [stored(film, 'B'), stored(film, 'A')],
      machines: [],
    });
    expect(films.map(({ name }) => name)).to.deep.equal(['B', 'A']);
    expect([powders, ovens, inkSets]).to.deep.equal([[], [], []]);
  });

  it('takes what was weighed in place of what is assumed, and says that it was', () => {
    const ink: Material = {
      ...stored(film, 'Ink'),
      kind: 'ink',
      properties: { use: 'film', colourMlM2: 7, whiteMlM2: 16, status: 'assumed' },
      learnt: { weighings: 3, values: { whiteMlM2: { value: 14.2, sd: 0.4 } } },
    };
    const { inkSets } = equipmentOf({ materials: [ink], machines: [] });
    expect(inkSets[0]).to.include({ colourMlM2: 7, whiteMlM2: 14.2, status: 'weighed' });
    expect(ink.properties.whiteMlM2, 'the assumption stays what it is').to.equal(16);
  });

  it('gives caps the first patch among the blanks, at its price', () => {
    const tee: GarmentStyle = { ...blank, id: 't', version: 1, colours: [{ ...blank.colours[0]!, id: 'c' }] };
    const patch: GarmentStyle = {
      ...tee,
      id: 'p',
      kind: 'patch',
      name: 'Made-up patch',
      sizes: [{ ...blank.sizes[0]!, cents: 85 }],
    };
    expect(patchOf([tee])).to.equal(null);
    expect(patchOf([tee, patch])).to.deep.include({ cents: 85 });
    expect(patchOf([tee, patch])?.blank.name).to.equal('Made-up patch');
  });
});
