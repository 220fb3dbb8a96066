import { expect } from 'chai';
import { boilingC, simulate } from '../conduction/index.ts';
import type { Layer, Phase, Stack } from '../conduction/index.ts';
import { USUAL_DRYING, compareDrying, dryCourse, weighedBackGm2 } from './index.ts';
import type { DryPhase, DryProblem } from './index.ts';

const press = (s: number, own: Partial<Extract<DryPhase, { kind: 'press' }>> = {}): DryPhase => ({
  kind: 'press',
  plateC: 165,
  s,
  kPa: 35,
  cover: 'parchment',
  ...own,
});
const open = (s: number): DryPhase => ({ kind: 'open', s, airMPerS: 0 });
const air = (s: number, own: Partial<Extract<DryPhase, { kind: 'air' }>> = {}): DryPhase => ({
  kind: 'air',
  s,
  airMPerS: 0,
  sides: 1,
  bench: false,
  ...own,
});
const tee = (phases: readonly DryPhase[], own: Partial<DryProblem> = {}): DryProblem => ({
  depositGm2: 150,
  waterShare: USUAL_DRYING.waterShare,
  cloth: 'cotton-knit',
  clothGm2: 170,
  room: { tempC: 23, rh: 0.5 },
  startC: 23,
  padC: 40,
  phases,
  ...own,
});
const left = (problem: DryProblem): number => dryCourse(problem).ends.at(-1)!.waterGm2;
const BURSTS = [10, 10, 10, 10].flatMap((s) => [press(s), open(3)]);

describe('drying of a pretreated garment', () => {
  it('starts with the water of the fluid and what the cloth holds anyway', () => {
    const course = dryCourse(tee([open(1)]));
    expect(course.waterStartGm2).to.be.closeTo(150 * 0.88 + 0.5 * 0.18 * 170, 1e-9);
    expect([course.boundGm2, course.roomGm2]).to.deep.equal([0.18 * 170, 0.5 * 0.18 * 170]);
  });

  it('loses to a still room what the balance of a wet surface gives: 1.29 g/m² a minute, 2.35 in a breath of air', () => {
    const perMinute = (airMPerS: number): number => {
      const phases = [air(600, { airMPerS }), air(60, { airMPerS })];
      const { ends } = dryCourse(tee(phases, { depositGm2: 300 }));
      return ends[0].waterGm2 - ends[1].waterGm2;
    };
    expect(perMinute(0)).to.be.closeTo(1.29, 0.015);
    expect(perMinute(1)).to.be.closeTo(2.35, 0.03);
  });

  it('compares the schools: the press in a minute, a plate held above in minutes, air in most of an hour', () => {
    const { phases: _phases, ...cloth } = tee([]);
    const [pressed, hovered, hung] = compareDrying(cloth, {
      ...{ plateC: 165, kPa: 35, cover: 'parchment', burstS: 10, openS: 3 },
      ...{ gapMm: 10, layS: 8, airMPerS: 0, sides: 2 },
    });
    // four bursts of ten seconds with three of air between leave 6 g/m², three leave 36: ready is 20
    expect([pressed.closings, pressed.takesS.usual]).to.deep.equal([4, 4 * 10 + 3 * 3]);
    expect(hovered.takesS.usual! - 8).to.be.within(120, 400);
    expect(hung.takesS.usual! / 60).to.be.within(35, 60);
    for (const { course, takesS } of [pressed, hovered, hung]) {
      expect(course.state).to.equal('ready');
      expect(takesS.early!).to.be.at.most(takesS.usual!);
      expect(takesS.usual!).to.be.at.most(takesS.late!);
      expect(course.ends.at(-1)!.t).to.be.closeTo(takesS.usual!, 1e-6);
    }
  });

  it('takes over an hour in still air, and never gets ready in a damp room', () => {
    const still = dryCourse(tee([air(7200)], { depositGm2: 130 }));
    expect(still.touchDryS.usual! / 60).to.be.closeTo(77, 2);
    expect(
      dryCourse(tee([air(7200, { airMPerS: 1 })], { depositGm2: 130 })).touchDryS.usual! / 60,
    ).to.be.closeTo(42, 2);
    expect(dryCourse(tee([air(40_000)], { room: { tempC: 23, rh: 0.7 } })).readyS.usual).to.be.null;
  });

  it('is slower and faster within its band, in this order', () => {
    const { touchDryS, ends } = dryCourse(tee(BURSTS));
    expect(touchDryS.early! < touchDryS.usual! && touchDryS.usual! < touchDryS.late!).to.be.true;
    for (const { waterLowGm2, waterGm2, waterHighGm2 } of ends)
      expect(waterLowGm2 <= waterGm2 && waterGm2 <= waterHighGm2).to.be.true;
  });

  it('leaves less the hotter, longer, drier and windier it is, and never less than nothing', () => {
    const base = left(tee(BURSTS));
    const hotter = BURSTS.map((phase) => (phase.kind === 'press' ? { ...phase, plateC: 175 } : phase));
    expect(left(tee(hotter))).to.be.below(base);
    expect(left(tee([...BURSTS, press(10)]))).to.be.below(base);
    expect(left(tee([air(1200)], { room: { tempC: 23, rh: 0.3 } }))).to.be.below(left(tee([air(1200)])));
    expect(left(tee([air(1200, { airMPerS: 1 })]))).to.be.below(left(tee([air(1200)])));
    expect(left(tee([air(1200, { sides: 2 })]))).to.be.below(left(tee([air(1200)])));
    expect(left(tee([press(200)]))).to.equal(0);
  });

  it('goes from wet to touch-dry to ready to over-dried', () => {
    const state = (phases: readonly DryPhase[]): string => dryCourse(tee(phases)).state;
    expect(state([press(5)])).to.equal('wet');
    expect(state(BURSTS.slice(0, 6))).to.equal('touch-dry');
    expect(state(BURSTS)).to.equal('ready');
    expect(state([...BURSTS, press(60)])).to.equal('over-dried');
    expect(dryCourse(tee([...BURSTS, open(600)])).isCool).to.be.true;
  });

  it('is checked by the scale: what is over the dry garment, less what of the fluid stays', () => {
    // 1.2 g over 0.14 m², of which 18 g/m² are solids; the dry garment held what the room gives
    expect(weighedBackGm2(tee(BURSTS), { beforeG: 151.2, nowG: 152.4, areaMm2: 140_000 })).to.be.closeTo(
      1.2 / 0.14 - 0.12 * 150 + 15.3,
      1e-9,
    );
  });

  it('stays near the whole model of a heat press, of which it is cut down', () => {
    const coarse = dryCourse(tee(BURSTS)).ends.filter((_, i) => i % 2 === 0);
    const whole = pressModel().map((kg) => 1000 * kg);
    expect(whole).to.have.length(4);
    // by how much: printed with the refusal, some g/m²
    for (const [i, gm2] of whole.entries()) expect(coarse[i].waterGm2).to.be.closeTo(gm2, 2.5);
  });
});

/** Water after each of four bursts of ten seconds by the model of `conduction`, kg/m². */
function pressModel(): number[] {
  const solid = (
    id: string,
    [mm, kWMK, densityKgM3, specificHeatJKgK]: number[],
    own: Partial<Layer>,
  ): Layer =>
    ({
      kind: 'solid',
      id,
      thicknessM: mm / 1000,
      kWMK,
      densityKgM3,
      specificHeatJKgK,
      initialC: 23,
      waterKgM2: 0,
      melt: null,
      ...own,
    }) as Layer;
  const clothMm = 170 / 378;
  const free = { kind: 'open', roomC: 23, emissivity: 0.9, lengthM: 0.3, leastHWM2K: 2 } as const;
  const below: Stack['bottom'] = { ...free, facing: 'down', evaporation: null };
  const closed: Omit<Phase, 'name'> = {
    durationS: 10,
    pressureKPa: 35,
    boilC: boilingC(101.325 + 0.5 * 35),
    setC: {},
    stacks: [
      {
        layers: ['sheet', 'cloth', 'pad', 'base'],
        jointsWM2K: [700, 350, 300],
        resistanceM2KW: {},
        top: { kind: 'plate', plateC: 165, hWM2K: 750 },
        bottom: below,
      },
    ],
  };
  const lifted: Omit<Phase, 'name'> = {
    durationS: 3,
    pressureKPa: 0,
    boilC: 100,
    setC: {},
    stacks: [
      {
        layers: ['cloth', 'pad', 'base'],
        jointsWM2K: [130, 300],
        resistanceM2KW: { cloth: (1.4 * clothMm) / 1000 / 0.06 },
        top: {
          ...free,
          facing: 'up',
          leastHWM2K: 3,
          evaporation: { hWM2K: 6, relativeHumidity: 0.5, fullAboveKgM2: 0.03 },
        },
        bottom: below,
      },
    ],
  };
  return [1, 2, 3, 4].map((bursts) => {
    const phases = Array.from({ length: bursts }, (_, i) => [
      { ...closed, name: `burst ${i}` },
      ...(i < bursts - 1 ? [{ ...lifted, name: `open ${i}` }] : []),
    ]).flat();
    const layers = [
      solid('sheet', [0.05, 0.12, 900, 1400], {}),
      solid('cloth', [clothMm, 0.09, 378, 1340], { waterKgM2: 0.1473 }),
      solid('pad', [9, 0.09, 450, 1250], { initialC: 40 }),
      solid('base', [5, 45, 7850, 480], { initialC: 30 }),
    ];
    return simulate({ layers, phases, probes: [], doses: [], outputS: [1] }).water.cloth;
  });
}
