import { expect } from 'chai';
import { inWords, isSaid, say } from '../words/index.ts';
import { METRIC, parseQuantity } from '../units/index.ts';
import {
  cap,
  coldFilm,
  cottonTee,
  equipment,
  hoodie,
  hotFilm,
  housed,
  lineInput,
  lineOf,
  operationOf,
  polyesterBib,
  routeOf,
  settingOf,
  small,
  valueOf,
  shelf,
  shopWith,
} from '../fixtures/index.ts';
import {
  HOUSE_KEYS,
  HOUSE_METHODS,
  compareRoutes,
  kPaAtMark,
  markForKPa,
  planRoute,
  promiseSlip,
  provenOverrides,
} from './index.ts';
import type { Route } from './index.ts';
import { plannedMode, traceHeat } from '../work/index.ts';
import type { Stack } from '../work/index.ts';

describe('planRoute', () => {
  it('leaves pretreatment out where no white is printed', () => {
    const ids = (tone: 'light' | 'dark'): string[] =>
      routeOf(lineOf({ process: 'dtg', garment: { ...cottonTee, tone } })).operations.map(({ id }) => id);
    expect(ids('dark')).to.deep.equal([
      'pre-press',
      'pretreat',
      'dry-pretreatment',
      'print',
      'cure',
      'inspect',
    ]);
    expect(ids('light')).to.deep.equal(['pre-press', 'print', 'cure', 'inspect']);
  });

  it('gives polyester its own fluid', () => {
    const route = routeOf(lineOf({ process: 'dtg', garment: polyesterBib }));
    expect(operationOf(route, 'pretreat').consumes[0]?.what).to.equal('Fen Primer P');
  });

  it('waits before peeling as the film asks, and names the peel', () => {
    const hot = routeOf(lineOf({ house: housed({ filmPeel: 'hot' }) }));
    const cold = routeOf(lineOf());
    expect(operationOf(hot, 'press-transfer').waitAfter).to.deep.include({ minS: 0, maxS: 4 });
    expect(operationOf(hot, 'peel').title).to.equal('Peel hot');
    expect(operationOf(hot, 'peel').checks).to.deep.include(say('check.pull', { pull: 'fast' }));
    expect(operationOf(cold, 'press-transfer').waitAfter?.minS).to.be.at.least(30);
    expect(operationOf(cold, 'peel').title).to.equal('Peel cold');
  });

  it('keeps a person’s value with who and why, flags it outside a limit, and refuses what the machine cannot do', () => {
    const own = { operation: 'press-transfer', setting: 'tempC', value: 185, who: 'Ines', why: 'thick seam' };
    const route = routeOf(lineOf({ overrides: [own] }));
    expect(settingOf(route, 'press-transfer', 'tempC').reasons[0]).to.deep.equal({
      source: 'override',
      said: say('reason.override', { who: 'Ines', why: 'thick seam' }),
      value: 185,
    });
    expect(inWords(route.conflicts[0].waysOut[0])).to.contain('Take the own value back');
    const wrong = [
      { ...own, value: 500 },
      { ...own, setting: 'flux' },
      { ...own, operation: 'bake' },
    ];
    const refused = planRoute(lineOf({ overrides: wrong }));
    expect(
      refused.ok ||
        refused.refusals.map(({ kind, said, override }) => ({ kind, text: inWords(said), override })),
    ).to.deep.equal([
      {
        kind: 'beyond-ability',
        text: 'Plate 500\u00a0°C is beyond what can be set: 20\u00a0°C to 220\u00a0°C.',
        override: { operation: 'press-transfer', setting: 'tempC' },
      },
      {
        kind: 'no-such-setting',
        text: '“Press the transfer” has no setting “flux”.',
        override: { operation: 'press-transfer', setting: 'flux' },
      },
      {
        kind: 'no-such-setting',
        text: 'Operation “bake” is not part of Film transfer (DTF) here.',
        override: { operation: 'bake', setting: 'tempC' },
      },
    ]);
    expect(() => planRoute(lineOf({ pieces: 0 })), 'a caller’s bug, not a refusal').to.throw(
      RangeError,
      'whole number from 1',
    );
  });

  it('takes no half of a burst and no half of a yes', () => {
    const values = (setting: string, operation: string, value: number) =>
      planRoute(
        lineOf({ process: 'dtg', overrides: [{ operation, setting, value, who: 'Ines', why: 'test' }] }),
      );
    const half = values('bursts', 'dry-pretreatment', 1.5);
    expect(half.ok ? 'taken' : half.refusals.map(({ kind, said }) => [kind, inWords(said)])).to.deep.equal([
      ['not-of-its-kind', 'Bursts 1.5 is not a whole number.'],
    ]);
    expect(values('bursts', 'dry-pretreatment', 4).ok).to.equal(true);
    const mirror = planRoute(
      lineOf({
        overrides: [{ operation: 'print-film', setting: 'mirrorHere', value: 0.5, who: 'Ines', why: 'test' }],
      }),
    );
    expect(mirror.ok ? 'taken' : mirror.refusals[0]?.kind).to.equal('not-of-its-kind');
  });

  it('calls the very sheet worn that is used, not one whose name begins alike', () => {
    const [sheet] = equipment.coverSheets.filter(({ purpose }) => purpose === 'ink');
    const alike = { ...sheet, id: 'another', name: sheet.name.slice(0, -2), usesSoFar: sheet.uses };
    const slipsWith = (coverSheets: typeof equipment.coverSheets): string =>
      routeOf(lineOf({ equipment: { ...equipment, coverSheets } }))
        .slips.map(({ said }) => inWords(said))
        .join(' ');
    expect(slipsWith([...equipment.coverSheets, alike])).to.not.contain('have a fresh one ready');
    const worn = equipment.coverSheets.map((own) => ({ ...own, usesSoFar: own.uses }));
    expect(slipsWith(worn)).to.contain('have a fresh one ready');
  });

  it('is the same route whichever unit a value was typed in', () => {
    const typed = (text: string): string => {
      const parsed = parseQuantity(text, 'temperature', METRIC);
      if (!parsed.ok) throw new Error(parsed.problem);
      const own = {
        operation: 'press-transfer',
        setting: 'tempC',
        value: parsed.value,
        who: 'Ines',
        why: 'test',
      };
      return JSON.stringify(routeOf(lineOf({ overrides: [own] })));
    };
    expect(typed('302 F')).to.equal(typed('150 C'));
    expect(typed('320F')).to.equal(typed('160'));
  });

  it('says which part of the set-up is missing', () => {
    expect(() => routeOf(lineOf({ equipment: { ...equipment, powders: [] } }))).to.throw(
      'No powder is set up',
    );
    expect(() =>
      routeOf(lineOf({ garment: cap, ...small('cap-front'), equipment: { ...equipment, capPresses: [] } })),
    ).to.throw('No cap press is set up');
    const coverless = lineOf({ equipment: { ...equipment, coverSheets: [] } });
    expect(() => routeOf(coverless)).to.throw('No cover sheet kept for ink');
  });

  it('keeps one cover sheet for pretreatment and another for ink, and says when one is worn', () => {
    const worn = equipment.coverSheets.map((own) => ({ ...own, usesSoFar: own.uses - 3 }));
    const route = routeOf(lineOf({ process: 'dtg', equipment: { ...equipment, coverSheets: worn } }));
    expect(operationOf(route, 'dry-pretreatment').sheet?.name).to.contain('Primer parchment');
    expect(operationOf(route, 'cure').sheet?.name).to.match(/^Parchment/);
    expect(route.slips.map(({ said }) => inWords(said)).join(' ')).to.contain(
      '97 of about 100 presses and this line needs 10 more',
    );
  });

  it('uses more ink and powder where sizes get a larger print', () => {
    const { placement } = lineInput();
    const graded = { ...placement, grades: [{ sizes: ['L'], widthMm: 560 }] };
    const grams = (own: typeof placement): number =>
      operationOf(routeOf(lineOf({ placement: own })), 'powder').consumes[0]?.amount ?? NaN;
    expect(grams(graded) / grams(placement)).to.be.closeTo((3 + 4 + 3 * 4) / 10, 1e-9);
  });

  it('plans no blank and no press for the shelf', () => {
    const route = routeOf(lineOf({ house: housed({ filmUse: 'stock' }) }));
    expect(route.usesBlanks).to.equal(false);
    expect(route.operations.some(({ station }) => station === 'press')).to.equal(false);
  });

  it('catches a patched cap promised for the same day', () => {
    const route = routeOf(lineOf({ process: 'patch-cap', garment: cap, ...small('cap-front') }));
    const nine = Date.UTC(2031, 1, 3, 9);
    expect(promiseSlip(route, nine, nine + 8 * 3_600_000)).to.deep.equal(
      say('slip.promised-too-soon', { isPatch: true, restH: 24, leftH: 8 }),
    );
    expect(promiseSlip(route, nine, nine + 72 * 3_600_000)).to.equal(null);
    expect(promiseSlip(routeOf(lineOf()), nine, nine + 3_600_000)).to.equal(null);
  });
});

describe('house methods', () => {
  it('each have two choices or more, a start among them, and words for the trade-off', () => {
    for (const key of HOUSE_KEYS) {
      const { start, choices, label } = HOUSE_METHODS[key];
      expect(Object.keys(choices)).to.have.length.greaterThan(1).and.include(start);
      expect(label).to.not.equal('');
      for (const { tradeOff } of Object.values<{ tradeOff: string }>(choices))
        expect(tradeOff.length, key).to.be.above(8);
    }
  });

  it('each change what some route asks for', () => {
    const garments = [
      lineOf(),
      lineOf({ equipment: { ...equipment, films: [hotFilm] } }),
      lineOf({ process: 'dtg' }),
      lineOf({ process: 'dtf-platen' }),
      lineOf({ process: 'patch-cap', garment: cap, ...small('cap-front'), ...shopWith({ shelf }) }),
      lineOf({ garment: cap, ...small('cap-front') }),
      lineOf({
        process: 'sub-film',
        garment: { ...cottonTee, tone: 'light', colourHex: '#ffffff' },
        ...small('left-chest'),
      }),
      lineOf({ print: { ...lineInput().print, inkMm2: 80_000 } }),
    ];
    for (const key of HOUSE_KEYS)
      for (const choice of Object.keys(HOUSE_METHODS[key].choices)) {
        if (choice === HOUSE_METHODS[key].start) continue;
        const differs = garments.some((input) => {
          const other = routeOf({ ...input, house: { ...input.house, [key]: choice } });
          return JSON.stringify(other) !== JSON.stringify(routeOf(input));
        });
        expect(differs, `${key}: ${choice}`).to.equal(true);
      }
  });
});

const shown = (own: unknown): string => (isSaid(own) ? inWords(own) : String(own));

describe('compareRoutes', () => {
  it('says what a change of peel changes, and nothing else', () => {
    const cold = routeOf(lineOf());
    const hot = routeOf(lineOf({ house: housed({ filmPeel: 'hot' }) }));
    expect(compareRoutes(cold, cold)).to.deep.equal([]);
    const words = compareRoutes(cold, hot).map(
      ({ operation: at, what, before, after }) => `${at}, ${what}: ${shown(before)} → ${shown(after)}`,
    );
    expect(words).to.deep.equal([
      'Press the transfer, wait: at least 45\u00a0s → within 4\u00a0s',
      'Cooling table, step: Peel cold → Peel hot',
      'Peel hot, machine: Table → null',
    ]);
  });

  it('says which steps came and went', () => {
    const differences = compareRoutes(
      routeOf(lineOf({ process: 'dtg' })),
      routeOf(lineOf({ process: 'dtg', house: housed({ pretreatmentDrying: 'air' }) })),
    );
    expect(differences.filter(({ what }) => what === 'step').map(({ after }) => after)).to.deep.equal([
      'left out',
      'added',
      'added',
    ]);
  });
});

describe('provenOverrides', () => {
  const by = { who: 'Ines', why: 'as run on K-203' };
  it('carries over what a proven route set otherwise, and nothing that follows from the line itself', () => {
    const own = { operation: 'press-transfer', setting: 'dwellS', value: 18, ...by };
    const proven = routeOf(lineOf({ pieces: 40, overrides: [own] }));
    const current = routeOf(lineOf());
    expect(provenOverrides(current, proven, by)).to.deep.equal([own]);
    expect(provenOverrides(current, current, by)).to.deep.equal([]);
    const copied = routeOf(lineOf({ overrides: provenOverrides(current, proven, by) }));
    expect(valueOf(copied, 'press-transfer', 'dwellS')).to.equal(18);
  });

  it('flags what the other fabric does not bear', () => {
    const polyester = routeOf(lineOf({ garment: polyesterBib }));
    const carried = provenOverrides(polyester, routeOf(lineOf()), by);
    const copied = routeOf(lineOf({ garment: polyesterBib, overrides: carried }));
    expect(copied.conflicts.map(({ said }) => inWords(said)).join(' ')).to.match(/157.*over 140/);
  });
});

describe('what later models read from a route', () => {
  it('has a stack under the plate with every layer’s thickness, sheet first and pad last', () => {
    const stacksOf = (route: Route, id: string): Stack[] =>
      plannedMode(operationOf(route, id)).phases.flatMap(({ heat }) => heat?.stack ?? []);
    const [stack] = stacksOf(routeOf(lineOf()), 'press-transfer');
    expect(stack.layers.map(({ material }) => material)).to.deep.equal([
      'parchment', 'film', 'transfer-ink', 'adhesive-fused', 'cotton-jersey', 'cotton-jersey',
    ]); // prettier-ignore
    expect(stack.joints).to.deep.equal([
      'plate-cover', 'cover-work', 'bonded', 'bonded', 'glue-fabric', 'fabric-fabric', 'fabric-pad',
    ]); // prettier-ignore
    expect(stack.pad?.material).to.equal('sponge-pad');
    expect(stack.layers[4]?.dMm).to.be.closeTo(180 / 378, 0.005);
    const [again] = stacksOf(routeOf(lineOf()), 'second-press');
    expect(again.joints, 'bonded by then').to.not.include('glue-fabric');
    const capped = stacksOf(routeOf(lineOf({ garment: cap, ...small('cap-front') })), 'press-cap')[0];
    expect(capped.layers.map(({ material }) => material)).to.include.members(['cap-twill', 'buckram']);
    const [hover, cure] = stacksOf(routeOf(lineOf({ process: 'dtg' })), 'cure');
    expect([hover.joints[0], hover.layers[0].material]).to.deep.equal(['open', 'direct-ink']);
    expect(cure.layers[0].material).to.equal('parchment');
    const [wet] = stacksOf(routeOf(lineOf({ process: 'dtg', garment: hoodie })), 'dry-pretreatment');
    expect(wet.layers.reduce((sum, { waterGM2 }) => sum + waterGM2, 0)).to.be.greaterThan(100);
    const [melt] = stacksOf(routeOf(lineOf()), 'melt-powder');
    expect(melt.layers[0].material).to.equal('adhesive-powder');
  });
});

describe('a press’s pressure scale', () => {
  const [press] = equipment.presses;
  it('turns marks into kPa and back by its own table, and says nothing outside it', () => {
    expect(kPaAtMark(press, 3)).to.equal(30);
    expect(markForKPa(press, 30)).to.equal(3);
    expect([kPaAtMark(press, 9), markForKPa(press, 120)]).to.deep.equal([null, null]);
    expect(settingOf(routeOf(lineOf()), 'press-transfer', 'kPa').reasons[0].said).to.deep.equal(
      say('reason.gauge', { press: press.name, mark: 5 }),
    );
  });
});

describe('traceHeat', () => {
  it('runs without gaps from zero and reaches the press’s temperature', () => {
    const route = routeOf(lineOf({ equipment: { ...equipment, films: [coldFilm, hotFilm] } }));
    const trace = traceHeat(route.operations, 10);
    trace.forEach((segment, i) => expect(segment.fromS).to.equal(i === 0 ? 0 : trace[i - 1]?.toS));
    const hottest = Math.max(...trace.map(({ tempC }) => tempC));
    expect(hottest).to.equal(valueOf(route, 'press-transfer', 'tempC'));
  });
});
