import { expect } from 'chai';
import type { Operation, PressState, StackLayer } from '../work/index.ts';
import {
  COVERS,
  DYED_POLYESTER,
  POLYESTER,
  STIFF_CAP,
  TEE,
  inHeat,
  layer,
  pressing,
  room,
  transferOn,
} from './fixtures/pressings.ts';
import { heatOperation } from './heatOperation.ts';
import type { OperationHeat } from './heatOperation.ts';
import { hottestC } from './heatStory.ts';
import { peelWindows } from './peelWindow.ts';

/**
 * What presses, platens and rooms do by the trade and by an independent solver of the same physics, whose figures stand here.
 * The first are anchors, the others what the model was not fitted to.
 */
function heatOf(operation: Operation, conditions = room()): OperationHeat {
  const heat = heatOperation(inHeat(operation), conditions);
  if (heat === null) throw new Error('no heat');
  return heat;
}

/** When a dose is done after the first heat began, s; `null` where it is not. */
function doneAfterS(heat: OperationHeat, dose: string): number | null {
  const course = heat.doseCourses[dose] ?? [];
  const i = course.findIndex((own) => own >= 1);
  if (i < 0) return null;
  const before = course[i - 1] ?? 0;
  const here = course[i] ?? 1;
  const [p, q] = [heat.timesS[i - 1] ?? 0, heat.timesS[i] ?? 0];
  return p + ((q - p) * (1 - before)) / (here - before) - (heat.heats[0]?.fromS ?? 0);
}

const bondOf = (
  tempC: number,
  layers: StackLayer[],
  own: { press?: Partial<PressState>; forS?: number } = {},
  conditions = room(),
): number | null =>
  doneAfterS(
    heatOf(pressing([{ tempC, forS: own.forS ?? 120, layers, press: own.press ?? {} }]), conditions),
    'bond@glue',
  );

describe('heat as print rooms know it', () => {
  it('bonds a transfer on a tee sooner when it is hotter or firmer', () => {
    const wanted: [number, number, number][] = [
      [150, 35, 14.8],
      [160, 35, 11.1],
      [165, 35, 9.8],
      [150, 60, 9.8],
      [160, 60, 7.5],
      [165, 60, 6.7],
      [150, 10, 42],
      [160, 10, 30],
      [165, 10, 26],
    ];
    for (const [tempC, kPa, s] of wanted)
      expect(bondOf(tempC, transferOn([TEE]), { press: { kPa } }), `${tempC} °C ${kPa} kPa`).to.be.closeTo(
        s,
        0.06 * s,
      );
  });

  it('needs half again as long ten degrees colder', () => {
    const [hot, cool] = [bondOf(160, transferOn([TEE])), bondOf(150, transferOn([TEE]))];
    expect((cool ?? 0) / (hot ?? 1)).to.be.within(1.28, 1.38);
  });

  it('takes longer on polyester at its own temperatures, with little of its dye moved', () => {
    for (const [tempC, from, to] of [
      [130, 27, 33],
      [135, 23, 27],
      [140, 19, 23],
    ] as const)
      expect(bondOf(tempC, transferOn([POLYESTER]), {}, room(DYED_POLYESTER)), `${tempC} °C`).to.be.within(
        from,
        to,
      );
    const hot = heatOf(
      pressing([{ tempC: 160, forS: 15, layers: transferOn([POLYESTER]) }]),
      room(DYED_POLYESTER),
    );
    expect(hot.doses['dye@face']).to.be.within(0.3, 0.5);
    const cool = heatOf(
      pressing([{ tempC: 135, forS: 25, layers: transferOn([POLYESTER]) }]),
      room(DYED_POLYESTER),
    );
    expect(cool.doses['dye@face']).to.be.within(0.08, 0.2);
  });

  it('is held up several times over by a thick mat, far more by a cold one', () => {
    const under = (mat: 'cold' | 'parked'): number | null =>
      bondOf(160, transferOn([TEE], COVERS.mat), { forS: 200 }, { ...room(), mat });
    expect(under('cold')).to.be.closeTo(74, 6);
    expect(under('parked')).to.be.within(35, 48);
  });

  it('is slower on damp cloth', () => {
    for (const [waterGM2, s] of [
      [12, 13.8],
      [30, 16],
      [60, 18.4],
      [100, 20.6],
    ] as const)
      expect(bondOf(160, transferOn([{ ...TEE, waterGM2 }])), `${waterGM2} g/m²`).to.be.closeTo(s, 0.8);
  });

  it('bonds a cap sooner on a warm form, which softens the stiffener when it is too warm', () => {
    const front = transferOn([layer('cap-twill', 0.5), layer('buckram', 0.5)]);
    const at = (lowerC: number | null): OperationHeat =>
      heatOf(
        pressing([
          { tempC: 150, forS: 60, layers: front, press: { kPa: 20, lowerC }, pad: layer('solid-pad', 3) },
        ]),
        room(STIFF_CAP),
      );
    expect(doneAfterS(at(null), 'bond@glue')).to.be.closeTo(29.5, 3);
    for (const [lowerC, s] of [
      [80, 21.9],
      [100, 19.7],
      [120, 17.9],
      [140, 16.3],
    ] as const)
      expect(doneAfterS(at(lowerC), 'bond@glue'), `${lowerC} °C`).to.be.closeTo(s, 0.05 * s);
    // glue of the stiffener at 1.2 times the bond's time
    const glueAt = (lowerC: number): number => {
      const heat = at(lowerC);
      const s = 1.2 * (doneAfterS(heat, 'bond@glue') ?? 0);
      const i = heat.timesS.findIndex((t) => t >= s);
      return heat.doseCourses['stiffener@stiffener']?.[i] ?? NaN;
    };
    expect(glueAt(100)).to.be.within(0.2, 0.34);
    expect(glueAt(140)).to.be.within(0.75, 1.1);
  });

  it('melts powder under a raised plate in minutes, hardly at all from two centimetres', () => {
    const film = [layer('adhesive-powder', 0.15), layer('transfer-ink', 0.04), layer('film', 0.075)];
    const under = (tempC: number, gapMm: number): number | null =>
      doneAfterS(
        heatOf(
          pressing([{ tempC, forS: 600, layers: film, press: { over: 'hover', kPa: 0, gapMm } }], 3, 'melt'),
        ),
        'melt@powder',
      );
    // on a pad at 50 °C; ours begins at 40, which takes a quarter longer
    for (const [tempC, gapMm, s] of [
      [165, 5, 104],
      [165, 8, 142],
      [165, 10, 170],
    ] as const)
      expect(under(tempC, gapMm), `${gapMm} mm`).to.be.within(s, 1.35 * s);
    expect(under(165, 20)).to.equal(null);
    const griddle = heatOf(
      pressing(
        [{ tempC: 175, forS: 60, layers: film, press: { over: 'below', kPa: 0 }, pad: null }],
        3,
        'melt',
      ),
    );
    expect(doneAfterS(griddle, 'melt@powder')).to.be.closeTo(21, 2);
  });

  it('dries pretreatment in a few short presses with vents', () => {
    const left = (count: number): number => {
      const burst = { tempC: 165, forS: 10, layers: [COVERS.parchment, { ...TEE, waterGM2: 150 }] };
      const heat = heatOperation(
        inHeat(
          pressing(
            Array.from({ length: count }, () => burst),
            3,
            'dry',
          ),
          { after: { forS: 3, peelAfterS: null, on: 'press' } },
        ),
        room(),
      );
      return heat?.water?.afterGM2 ?? NaN;
    };
    for (const [count, gM2] of [
      [1, 107],
      [2, 65],
      [3, 30],
      [4, 3],
    ] as const)
      expect(left(count), `${count} presses`).to.be.closeTo(gM2, 4);
  });

  it('cures ink five to eight degrees below the plate', () => {
    const print = [COVERS.parchment, layer('direct-ink', 0.04), TEE];
    for (const [tempC, s] of [
      [160, 173],
      [165, 130],
      [170, 100],
      [180, 62],
    ] as const) {
      const heat = heatOf(pressing([{ tempC, forS: 240, layers: print, press: { kPa: 20 } }], 3, 'cure'));
      expect(doneAfterS(heat, 'cure@ink'), `${tempC} °C`).to.be.closeTo(s, 0.06 * s);
      expect(tempC - (hottestC(heat, 'ink') ?? 0)).to.be.within(2, 9);
    }
  });

  it('leaves a film hot for seconds and cold after the better part of a minute, sooner on metal', () => {
    const windows = peelWindows(
      inHeat(pressing([{ tempC: 160, forS: 15, layers: transferOn([TEE]) }])),
      room(),
    );
    const on = (where: string) => windows.find((own) => own.on === where);
    expect(on('press')?.hotUntilS).to.be.closeTo(10, 2);
    expect(on('wood')?.hotUntilS).to.be.closeTo(8, 2);
    expect(on('wood')?.coldFromS).to.be.closeTo(50, 12);
    expect(on('metal')?.coldFromS).to.be.closeTo(35, 9);
    expect(on('press')?.coldFromS).to.be.within(120, 240);
  });
});
