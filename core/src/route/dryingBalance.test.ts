import { expect } from 'chai';
import { PRINT, cottonTee, hoodie, housed, lineOf, routeOf } from '../fixtures/index.ts';
import { dryCourse } from '../spray/index.ts';
import type { DryPhase, DryProblem } from '../spray/index.ts';
import { settingFor } from '../work/index.ts';
import type { Operation } from '../work/index.ts';
import { inWords } from '../words/index.ts';
import type { PrintInput } from './index.ts';

const dryingOf = (own: Partial<PrintInput>): { spray: Operation; dry: Operation } => {
  const { operations } = routeOf(lineOf({ process: 'dtg', ...own }));
  const of = (role: Operation['role']): Operation => operations.find((known) => known.role === role)!;
  return { spray: of('spray'), dry: of('dry') };
};
const valueOf = (operation: Operation, sets: Parameters<typeof settingFor>[1]): number =>
  settingFor(operation, sets)!.value;

/** A room of 23 °C and half its moisture, a pad as warm as it is in work. */
const course = (
  cloth: Pick<DryProblem, 'cloth' | 'clothGm2' | 'depositGm2'>,
  phases: readonly DryPhase[],
): ReturnType<typeof dryCourse> =>
  dryCourse({ waterShare: 0.88, room: { tempC: 23, rh: 0.5 }, startC: 23, padC: 40, ...cloth, phases });

const SCHOOLS = {
  press: {},
  hover: { house: housed({ pretreatmentDrying: 'hover' }) },
  air: { house: housed({ pretreatmentDrying: 'air' }) },
} as const;

describe('drying as a route plans it', () => {
  for (const garment of [cottonTee, hoodie])
    it(`closes the press until ${garment.name} is ready for ink, and not once more`, () => {
      const { spray, dry } = dryingOf({ garment });
      const cloth = garment === hoodie ? 'fleece' : 'cotton-knit';
      const bursts = valueOf(dry, 'bursts');
      const after = (count: number): string =>
        course(
          { cloth, clothGm2: garment.massGM2, depositGm2: valueOf(spray, 'fluid') },
          Array.from({ length: count }, (_, i): DryPhase[] => [
            ...(i === 0 ? [] : [{ kind: 'open', s: 10, airMPerS: 0 } as const]),
            {
              kind: 'press',
              plateC: valueOf(dry, 'temperature'),
              s: valueOf(dry, 'dwell'),
              kPa: valueOf(dry, 'pressure'),
              cover: 'parchment',
            },
          ]).flat(),
        ).state;
      expect(after(bursts)).to.equal('ready');
      expect(after(bursts - 1)).to.be.oneOf(['wet', 'touch-dry']);
      expect(settingFor(dry, 'bursts')!.conflicts).to.deep.equal([]);
    });

  it('hovers until nothing runs any more, and hangs in still air for as long as both faces take', () => {
    const hovered = dryingOf(SCHOOLS.hover);
    const own = { cloth: 'cotton-knit', clothGm2: cottonTee.massGM2 } as const;
    const hover = course({ ...own, depositGm2: valueOf(hovered.spray, 'fluid') }, [
      {
        kind: 'hover',
        plateC: valueOf(hovered.dry, 'temperature'),
        gapMm: valueOf(hovered.dry, 'gap'),
        s: 600,
      },
    ]);
    expect(valueOf(hovered.dry, 'hover') - hover.touchDryS.usual!).to.be.within(0, 5);
    const hung = dryingOf(SCHOOLS.air);
    const air = course({ ...own, depositGm2: valueOf(hung.spray, 'fluid') }, [
      { kind: 'air', s: 7200, airMPerS: 0, sides: 2, bench: false },
    ]);
    expect(valueOf(hung.dry, 'rest') - air.touchDryS.usual!).to.be.within(0, 60);
  });

  it('follows what a person sprays instead, and says its band', () => {
    const less = { operation: 'pretreat', setting: 'gM2', value: 110, who: 'Wren', why: 'a try' };
    const usual = dryingOf({});
    const drier = dryingOf({ overrides: [less] });
    expect(valueOf(drier.dry, 'bursts')).to.be.lessThan(valueOf(usual.dry, 'bursts'));
    const [reason] = settingFor(usual.dry, 'bursts')!.reasons.filter(({ source }) => source === 'model');
    expect(inWords(reason.said)).to.match(/ready to print after 4 bursts, \d+ to \d+ by how well the heat/);
  });

  it('leaves fewer bursts wet and more of them stiff: both are said', () => {
    const own = (value: number): string[] =>
      settingFor(
        dryingOf({
          overrides: [{ operation: 'dry-pretreatment', setting: 'bursts', value, who: 'Wren', why: 'a try' }],
        }).dry,
        'bursts',
      )!.conflicts.map((said) => inWords(said));
    expect(own(1).join()).to.include('free water');
    expect(own(9).join()).to.include('stiff');
  });
});

describe('fluid for a line', () => {
  it('is what goes on, what goes beside, the first drops and a little over, in whole bottles', () => {
    const { spray } = dryingOf({ pieces: 40 });
    const said = spray.checks.find(({ code }) => code === 'check.fluid-for-line')!;
    // each 13.4 g where 65 % land; 3 g primed; a twentieth over; 1.03 g a ml
    const ml = Math.round((((40 * spray.weighIn!.targetG) / 0.65 + 3) * 1.05) / 1.03);
    expect(said.params).to.include({ ml, bottles: 1 });
    expect(inWords(said)).to.match(/a bottle of 1000\sml|a bottle of 1\sl/);
  });

  it('under a mask goes on the print’s own shape, and takes no less: the mask catches the rest', () => {
    const print = { ...PRINT, sprayM2: { box: 0.1, shape: 0.06 } };
    const whole = dryingOf({ print }).spray;
    const masked = dryingOf({ print, house: housed({ sprayArea: 'mask' }) }).spray;
    const gm2 = valueOf(whole, 'fluid');
    expect(valueOf(masked, 'fluid')).to.equal(gm2);
    expect(whole.weighIn!.targetG).to.be.closeTo(0.1 * gm2, 0.051);
    expect(masked.weighIn!.targetG).to.be.closeTo(0.06 * gm2, 0.051);
    expect(masked.consumes).to.deep.equal(whole.consumes);
    const codes = (own: Operation): string[] => own.checks.map(({ code }) => code);
    expect(codes(masked)).to.include('check.mask').and.not.include('check.print-area-only');
    expect(codes(whole)).to.include('check.print-area-only').and.not.include('check.mask');
  });
});
