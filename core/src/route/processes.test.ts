import { expect } from 'chai';
import { allInWords, inWords } from '../words/index.ts';
import {
  cap,
  cottonTee,
  equipment,
  hoodie,
  housed,
  lineInput,
  lineOf,
  operationOf,
  polyesterBib,
  routeOf,
  shelf,
  shopWith,
  small,
  valueOf,
} from '../fixtures/index.ts';
import { PROCESSES, PROCESS_MODULES, artJobFor, isFilmProcess } from './index.ts';
import type { Equipment, HouseMethods, Process, Route, PrintInput } from './index.ts';
import { aloneS, handsS, plannedMode } from '../work/index.ts';
import type { Mode, Operation } from '../work/index.ts';

const modeOf = (route: Route, id: string): Mode => plannedMode(operationOf(route, id));

const white = { ...cottonTee, tone: 'light' as const, colourHex: '#ffffff' };
/** A line each process can do. */
const LINES: Record<Process, Partial<PrintInput>> = {
  dtg: {},
  dtf: {},
  'dtf-platen': {},
  'sub-film': { garment: white, ...small('left-chest') },
  'bought-in': {},
  shelf: shopWith({ shelf }),
  'patch-cap': { garment: cap, ...small('cap-front') },
};
const routeBy = (process: Process, own: Partial<PrintInput> = {}): Route =>
  routeOf(lineOf({ process, ...LINES[process], ...own }));
const ids = ({ operations }: Route): string[] => operations.map(({ id }) => id);
const uses = (route: Route, what: RegExp): number =>
  route.operations
    .flatMap(({ consumes }) => consumes)
    .filter((own) => what.test(own.what))
    .reduce((sum, { amount }) => sum + amount, 0);

describe('each process', () => {
  const AFTER_FILM = ['powder', 'melt-powder', 'cut'];
  const ON_FLAT = ['pre-press', 'press-transfer', 'peel', 'second-press', 'inspect'];
  const SEQUENCES: Record<Process, string[]> = {
    dtg: ['pre-press', 'pretreat', 'dry-pretreatment', 'print', 'cure', 'inspect'],
    dtf: ['ready-printer', 'print-film', ...AFTER_FILM, ...ON_FLAT],
    'dtf-platen': ['print-film', ...AFTER_FILM, ...ON_FLAT],
    'sub-film': ['feed-film', 'print-film', ...AFTER_FILM, ...ON_FLAT],
    'bought-in': ['trim', 'pre-press', 'press-transfer', 'peel', 'second-press', 'inspect'],
    shelf: ['trim', 'pre-press', 'press-transfer', 'peel', 'second-press', 'inspect'],
    'patch-cap': [
      'ready-printer',
      'print-film',
      ...AFTER_FILM,
      'tack-transfer',
      'peel',
      'pre-press-cap',
      'press-cap',
      'inspect',
    ],
  };
  for (const process of PROCESSES)
    it(`${process} has its stations in work order, each once, and no slip of its own`, () => {
      const route = routeBy(process);
      expect(ids(route)).to.deep.equal(SEQUENCES[process]);
      expect(route.slips).to.deep.equal([]);
      expect(route.conflicts).to.deep.equal([]);
      expect(PROCESS_MODULES[process].look(lineInput({ ...LINES[process], process })).said.code).to.match(
        /^hand/,
      );
      expect(PROCESS_MODULES[process].risks(lineInput({ ...LINES[process], process }))).to.not.be.empty;
    });

  it('names the machines it is planned on', () => {
    expect(modeOf(routeBy('dtg'), 'print')).to.deep.include({
      machineKind: 'printer',
      machine: { id: 'direct-printer', name: 'Direct printer' },
    });
    expect(modeOf(routeBy('dtf-platen'), 'print-film').machine?.name).to.equal('Direct printer');
    expect(modeOf(routeBy('sub-film'), 'print-film').machine?.name).to.equal('Desk printer');
    expect(modeOf(routeBy('patch-cap'), 'tack-transfer').machine?.name).to.equal('Hand iron');
    expect(modeOf(routeBy('patch-cap'), 'press-cap').machine?.name).to.equal('Cap press');
  });

  it('uses white only where there is some', () => {
    expect(
      uses(routeBy('dtg', { garment: white, print: { ...lineInput().print, whiteMl: 0 } }), /white/),
    ).to.equal(0);
    expect(
      uses(routeBy('sub-film', { print: { ...small('left-chest').print, whiteMl: 0 } }), /white/),
    ).to.equal(0);
    expect(uses(routeBy('dtf'), /white/)).to.be.above(0);
  });

  it('makes film only where it is made here', () => {
    expect(PROCESSES.filter(isFilmProcess)).to.deep.equal(['dtf', 'dtf-platen', 'sub-film', 'patch-cap']);
  });

  it('says what is missing rather than planning around it', () => {
    const refusals = (process: Process, own: Partial<PrintInput>): string =>
      allInWords(PROCESS_MODULES[process].refusals(lineInput({ ...LINES[process], ...own, process }))).join(
        ' ',
      );
    expect(refusals('dtg', shopWith({ sprayers: [] }))).to.contain('No sprayer');
    expect(refusals('dtg', shopWith({ pretreatments: [] }))).to.contain('No pretreatment');
    expect(refusals('dtg', { garment: white, ...shopWith({ sprayers: [], pretreatments: [] }) })).to.equal(
      '',
    );
    expect(refusals('dtf', shopWith({ films: [] }))).to.contain('No film');
    expect(refusals('dtf', shopWith({ ovens: [], belts: [], griddles: [], presses: [] }))).to.contain(
      'Nothing to melt powder with',
    );
    expect(refusals('dtf-platen', shopWith({ inkSets: [] }))).to.contain('No textile ink');
    expect(refusals('sub-film', shopWith({ printers: equipment.printers.slice(0, 2) }))).to.contain(
      'No sublimation printer',
    );
    expect(refusals('patch-cap', shopWith({ patch: null }))).to.contain('No leatherette patch');
    expect(refusals('bought-in', shopWith({ boughtIns: [] }))).to.contain('No bought-in transfer');
    const wide = { ...lineInput().print, widthMm: 900, heightMm: 900 };
    expect(refusals('dtf', { print: wide }))
      .to.contain('No film printer here fits: “Film printer” takes 600')
      .and.contain('No film here fits: “Tarn Cold Film” takes 600');
  });
});

describe('house methods in the route', () => {
  it('two coats of powder use seven tenths more and take twice the hands', () => {
    const [one, two] = [routeBy('dtf'), routeBy('dtf', { house: housed({ powderCoats: 'two' }) })];
    expect(uses(two, /Powder/) / uses(one, /Powder/)).to.be.closeTo(1.7, 1e-9);
    expect(handsS(operationOf(two, 'powder'), 10)).to.equal(2 * handsS(operationOf(one, 'powder'), 10));
  });

  it('two hits of white use twice of it and print longer', () => {
    const [one, two] = [routeBy('dtg'), routeBy('dtg', { house: housed({ whiteHits: 'double' }) })];
    expect(uses(two, /white/) / uses(one, /white/)).to.be.closeTo(2, 1e-9);
    expect(aloneS(operationOf(two, 'print'), 1)).to.be.above(aloneS(operationOf(one, 'print'), 1));
    expect(valueOf(two, 'cure', 'dwellS')).to.be.at.least(valueOf(one, 'cure', 'dwellS'));
  });

  it('melts with what there is when the wished machine is missing', () => {
    const melt = (own: Partial<Equipment>, means: HouseMethods['meltMeans']): Operation =>
      operationOf(routeBy('dtf', { ...shopWith(own), house: housed({ meltMeans: means }) }), 'melt-powder');
    const melted = (own: Partial<Equipment>, means: HouseMethods['meltMeans']) => ({
      machineKind: plannedMode(melt(own, means)).machineKind,
      station: melt(own, means).station,
    });
    expect(melted({}, 'griddle').machineKind).to.equal('griddle');
    expect(melted({ griddles: [] }, 'griddle').machineKind).to.equal('oven');
    expect(melted({ ovens: [], belts: [], griddles: [] }, 'oven')).to.include({
      machineKind: 'press',
      station: 'press',
    });
  });

  it('hovers shorter over a heated lower side', () => {
    const [press] = equipment.presses;
    const hover = (hasHeatedLower: boolean): number =>
      valueOf(
        routeBy('dtf', {
          ...shopWith({ presses: [{ ...press, hasHeatedLower }] }),
          house: housed({ meltMeans: 'hover' }),
        }),
        'melt-powder',
        'dwellS',
      );
    expect(hover(true)).to.be.below(hover(false));
  });

  it('puts the transfer on the patch with the press where there is no iron', () => {
    const route = routeBy('patch-cap', shopWith({ handIron: null }));
    expect(modeOf(route, 'press-patch').machine?.name).to.equal('Press A');
    expect(ids(route)).to.not.include('tack-transfer');
  });

  it('leaves a lower plate off that cannot be heated, whatever the house wishes', () => {
    const capPresses = [{ ...equipment.capPresses[0], lowerC: null }];
    const route = routeBy('patch-cap', { ...shopWith({ capPresses }), house: housed({ capLower: 'warm' }) });
    expect(valueOf(route, 'press-cap', 'lowerC')).to.equal(22);
  });

  it('presses a bought-in transfer under the sheet its supplier asks for', () => {
    const boughtIns = [{ ...equipment.boughtIns[0], sheet: 'silicone-thick' as const }];
    expect(operationOf(routeBy('bought-in', shopWith({ boughtIns })), 'press-transfer').sheet?.name).to.equal(
      'Grey mat',
    );
  });

  it('pulls as the film’s sheet says unless the house decides', () => {
    const pull = (own: Partial<HouseMethods>): string | undefined =>
      (operationOf(routeBy('dtf', { house: housed(own) }), 'peel').checks[0].params as { pull: string }).pull;
    expect(pull({})).to.equal('slow');
    expect(pull({ filmPull: 'fast' })).to.contain('fast');
    expect(pull({ filmPeel: 'hot' }), 'the hot film wants it').to.contain('fast');
  });

  it('asks for a pillow on a clam press with fleece, and splits a line that the rack does not hold', () => {
    const [press] = equipment.presses;
    const clam = routeBy('dtf', {
      garment: hoodie,
      ...shopWith({ presses: [{ ...press, opening: 'clam' }] }),
    });
    expect(
      operationOf(clam, 'press-transfer')
        .checks.map((own) => inWords(own))
        .join(' '),
    ).to.contain('clam press pinches');
    const hung = routeBy('dtg', { pieces: 70, house: housed({ pretreatmentDrying: 'air' }) });
    expect(
      operationOf(hung, 'air-dry')
        .checks.map((own) => inWords(own))
        .join(' '),
    ).to.contain('in 3 goes');
  });

  it('prints solid art in the finer mode, or everything in one where the house wants it', () => {
    const solid = { ...lineInput().print, inkMm2: 70_000 };
    const seconds = (own: Partial<PrintInput>): number =>
      aloneS(operationOf(routeBy('dtf', own), 'print-film'), 10);
    expect(seconds({ print: solid })).to.be.above(seconds({}));
    expect(seconds({ print: solid, house: housed({ printMode: 'one' }) })).to.equal(seconds({}));
  });
});

describe('how the artwork is measured for a process', () => {
  const job = (
    process: Process,
    garment = cottonTee,
    own: Partial<Equipment> = {},
    overrides: PrintInput['overrides'] = [],
  ) => artJobFor({ id: '1', process, garment, widthMm: 200, equipment: { ...equipment, ...own } }, overrides);

  it('is as film, as direct print with or without white, or as sublimation', () => {
    expect(PROCESSES.map((process) => job(process).process)).to.deep.equal([
      'dtg-dark',
      'dtf',
      'dtf',
      'sub',
      'dtf',
      'dtf',
      'dtf',
    ]);
    expect(job('dtg', white).process).to.equal('dtg-light');
  });

  it('lays down what its own ink does; garment ink on film what film takes', () => {
    expect(job('dtg').laydown).to.deep.equal({ colourMlM2: 9, whiteMlM2: 75 });
    expect(job('dtf').laydown).to.deep.equal({ colourMlM2: 7, whiteMlM2: 16, powderGM2: 45 });
    expect(job('dtf-platen').laydown).to.deep.equal(job('dtf').laydown);
    expect(job('sub-film').laydown).to.include({ colourMlM2: 8, whiteMlM2: 0 });
    expect(
      job('dtf', cottonTee, { inkSets: [], powders: [] }).laydown,
      'assumed where nothing is set up',
    ).to.deep.equal({
      colourMlM2: 7,
      whiteMlM2: 16,
      powderGM2: 45,
    });
  });

  it('takes a person’s choke and density from the route', () => {
    const own = { operation: 'print-film', setting: 'chokeMm', value: 0.22, who: 'Ines', why: 'rim seen' };
    expect(job('dtf', cottonTee, {}, [own]).underbase).to.include({ chokeMm: 0.22, density: 0.6 });
    expect(job('dtg', polyesterBib).underbase).to.include({ chokeMm: 0.15, density: 1 });
  });
});

describe('a belt through a tunnel', () => {
  it('is told its speed, and takes film longer than the tunnel whole but not wider than the belt', () => {
    const own = { house: housed({ meltMeans: 'belt' }) };
    const codes = (input: Partial<PrintInput>): string[] =>
      operationOf(routeOf(lineOf({ ...own, ...input })), 'melt-powder').checks.map(({ code }) => code);
    const { checks, settings } = operationOf(routeOf(lineOf(own)), 'melt-powder');
    const timeS = settings.find(({ key }) => key === 'dwellS')!.value;
    const speed = checks.find(({ code }) => code === 'check.belt-speed')!;
    expect(speed.params).to.deep.include({ tunnelMm: 1200, mmPerMin: Math.round((1200 * 60) / timeS) });
    const print = lineInput().print;
    const printers = equipment.printers.map((printer) => ({ ...printer, heightMm: 2000 }));
    expect(codes({ print: { ...print, heightMm: 1300 }, ...shopWith({ printers }) })).to.not.include(
      'check.half-by-half',
    );
    expect(codes({ print: { ...print, widthMm: 560, heightMm: 560 } })).to.include('check.half-by-half');
  });
});
