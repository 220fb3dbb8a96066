import { expect } from 'chai';
import { inWords } from '../words/index.ts';
import { cap, cottonTee, hoodie } from '../fixtures/index.ts';
import { PLACEMENTS, PLACEMENT_KEYS, outlineOf, planPlacement, placementsOn } from './index.ts';
import { BLANK_KINDS } from '../blank/index.ts';
import type { LinePlacement } from './index.ts';

const sizes: LinePlacement['sizes'] = [
  { size: 'S', quantity: 2, bodyWidthMm: 460, collarDropMm: null },
  { size: 'M', quantity: 5, bodyWidthMm: 510, collarDropMm: null },
  { size: 'XXL', quantity: 1, bodyWidthMm: 660, collarDropMm: null },
];
const front: LinePlacement = { key: 'full-front', dropMm: 75, sizes, areas: [], grades: [] };
const PLATENS = [
  { name: 'chest', widthMm: 180, heightMm: 180 },
  { name: 'standard', widthMm: 350, heightMm: 400 },
];
type Input = Parameters<typeof planPlacement>[0];
const plan = (own: Partial<Input> = {}): ReturnType<typeof planPlacement> =>
  planPlacement({
    garment: cottonTee,
    placement: front,
    lineWidthMm: 280,
    widthMm: 280,
    heightMm: 300,
    rule: 'ruler',
    platens: PLATENS,
    press: { name: 'Press A', widthMm: 400, heightMm: 500 },
    isOnPatch: false,
    ...own,
  });

describe('placement', () => {
  it('drops further on wider bodies, from the middle size’s ruler measure', () => {
    expect(plan().sizes.map(({ dropMm }) => dropMm)).to.deep.equal([70, 75, 90]);
  });

  it('goes by the maker’s collar where the chart gives it', () => {
    const charted = sizes.map((own, i) => ({ ...own, collarDropMm: 80 + 10 * i }));
    expect(plan({ placement: { ...front, sizes: charted } }).sizes.map(({ dropMm }) => dropMm)).to.deep.equal(
      [65, 75, 85],
    );
  });

  it('states fingers in mm', () => {
    const fingers = plan({ rule: 'three-fingers' });
    expect(inWords(fingers.rule)).to.match(/three fingers.*54.*60/);
    expect(fingers.sizes[1]?.dropMm).to.equal(57);
    expect(plan({ rule: 'four-fingers' }).sizes[1]?.dropMm).to.equal(76);
  });

  it('centres by platen offsets on the smallest platen that takes every size', () => {
    const placed = plan();
    expect(placed.platen).to.equal('standard');
    expect(placed.sizes[0]?.platenLeftMm).to.equal((350 - 280) / 2);
    expect(plan({ widthMm: 90, lineWidthMm: 90, heightMm: 80 }).platen).to.equal('chest');
  });

  it('says what fits no platen, no press and no printable area, with the sizes', () => {
    const graded = { ...front, grades: [{ sizes: ['XXL'], widthMm: 420 }] };
    const problems = plan({ placement: graded })
      .problems.map(({ said }) => inWords(said))
      .join(' ');
    expect(problems)
      .to.match(/420.*fits none of the platens/)
      .and.match(/larger than Press A presses/);
    const areas = [{ placement: 'full-front' as const, widthMm: 250, heightMm: 350 }];
    // a medium body is 50 mm wider than the smallest, so it has room for 300 mm
    expect(plan({ placement: { ...front, areas } }).problems).to.have.lengthOf(1);
    expect(inWords(plan({ placement: { ...front, areas } }).problems[0].said)).to.match(/^S: 280/);
  });

  it('gives longer bodies more height: half of what they are wider', () => {
    const areas = [{ placement: 'full-front' as const, widthMm: 300, heightMm: 310 }];
    const over = (heightMm: number): unknown =>
      plan({ placement: { ...front, areas }, heightMm }).problems.map(
        ({ said }) => (said.params as { sizes?: string[] }).sizes,
      );
    expect(over(310)).to.deep.equal([]);
    expect(over(330)).to.deep.equal([['S']]); // a medium has 335 mm
    expect(over(340)).to.deep.equal([['S', 'M']]); // the largest has 410 mm
  });

  it('says what could be done about all that is in the way', () => {
    const ways = (own: Partial<Input>): string[] =>
      plan(own).problems.flatMap(({ waysOut }) => waysOut.map((own) => inWords(own)));
    const zipped = { ...hoodie, features: ['zip'] as const };
    expect(ways({ garment: zipped })).to.deep.equal(['Another place: left chest or back.']);
    const six = { ...cap, kind: 'cap-six' as const, features: ['panel-seam'] as const };
    const capFront = { placement: { ...front, key: 'cap-front' as const }, widthMm: 60, heightMm: 40 };
    expect(ways({ garment: six, ...capFront })).to.deep.equal([
      'Another place: cap front corner or cap side.',
      'Put it on a patch: a patch bridges the seam.',
    ]);
    expect(ways({ garment: six, ...capFront, isOnPatch: true }), 'it is on one').to.deep.equal([]);
    // 350 mm is as wide as the largest platen, and 280 of 300 mm high is within it
    expect(ways({ widthMm: 400, lineWidthMm: 400 }).map((own) => own.replaceAll('\u00a0', ' '))).to.include(
      'Print it 350 mm wide, or less.',
    );
    for (const kind of BLANK_KINDS)
      for (const key of PLACEMENT_KEYS)
        for (const { said, waysOut } of plan({
          garment: { ...zipped, kind },
          placement: { ...front, key, dropMm: 5 },
        }).problems)
          expect(waysOut, `${kind}, ${key}: ${said.code}`).to.not.be.empty;
  });

  it('asks for risers and tape where the print runs onto the pocket, and only there', () => {
    const what = (own: Partial<Input>): string[] =>
      plan({ garment: hoodie, ...own }).needs.map((need) => need.what);
    expect(what({})).to.not.include('riser');
    expect(what({ heightMm: 380 })).to.include.members(['riser', 'tape']);
    const pressed = what({ heightMm: 380, platens: [] });
    expect(pressed).to.not.include('riser');
    expect(pressed).to.include('pad');
    expect(
      plan({ garment: hoodie, placement: { ...front, key: 'back' } })
        .needs.map(({ said }) => inWords(said))
        .join(' '),
    ).to.contain('Hood laid forward');
  });

  it('refuses to print through a zip, and places a chest mark beside it', () => {
    const zipped = { ...hoodie, features: ['zip'] as const };
    expect(
      plan({ garment: zipped })
        .problems.map(({ said }) => inWords(said))
        .join(' '),
    ).to.contain('zip runs through');
    expect(
      plan({ garment: zipped, placement: { ...front, key: 'left-chest' }, widthMm: 90, heightMm: 60 })
        .problems.map(({ said }) => inWords(said))
        .join(' '),
    ).to.equal('');
    // half of a small body is 230 mm: a wider mark runs into the zip
    const wide = plan({
      garment: zipped,
      placement: { ...front, key: 'left-chest' },
      widthMm: 240,
      heightMm: 60,
    });
    expect(wide.problems.map(({ said }) => said.code)).to.deep.equal(['place.zip']);
  });

  it('sees a seam in the middle of a six-panel front, and nowhere else', () => {
    const six = { ...cap, kind: 'cap-six' as const, features: ['panel-seam', 'stiffener'] as const };
    const problems = (garment: typeof cottonTee, key: LinePlacement['key']): string =>
      plan({ garment, placement: { ...front, key, dropMm: 20 }, widthMm: 60, heightMm: 40 })
        .problems.map(({ said }) => inWords(said))
        .join(' ');
    expect(problems(six, 'cap-front')).to.contain('six-panel front has its seam');
    expect(problems(six, 'cap-side')).to.equal('');
    expect(problems({ ...six, features: ['stiffener'] }, 'cap-front')).to.equal('');
    expect(problems({ ...six, kind: 'cap-five' }, 'cap-front')).to.equal('');
  });

  it('keeps a chest mark off a tee’s pocket, and asks for a pillow only under a flat press', () => {
    const pocket = { ...cottonTee, features: ['pocket'] as const };
    const marks = (garment: typeof cottonTee, key: LinePlacement['key']): string =>
      plan({ garment, placement: { ...front, key }, widthMm: 90, heightMm: 60 })
        .problems.map(({ said }) => inWords(said))
        .join(' ');
    expect(marks(pocket, 'left-chest')).to.contain('pocket is where the mark goes');
    expect(marks(pocket, 'right-chest')).to.equal('');
    expect(marks({ ...hoodie, features: ['pocket'] }, 'left-chest')).to.equal('');
    const pillows = (own: Partial<Input>): number =>
      plan(own).needs.filter(({ said }) => said.code === 'need.pillow').length;
    expect(pillows({ garment: hoodie })).to.equal(1);
    expect(pillows({ garment: hoodie, press: null })).to.equal(0);
    expect(pillows({ garment: cottonTee })).to.equal(0);
    const seamed = { ...cap, features: ['thick-seams'] as const };
    expect(pillows({ garment: seamed, placement: { ...front, key: 'cap-front' } })).to.equal(0);
  });

  it('knows a place for every blank, and an outline that holds it', () => {
    for (const kind of BLANK_KINDS) {
      const [key] = placementsOn(kind);
      expect(key, kind).to.not.equal(undefined);
      const { box, bodyWidthMm } = outlineOf(kind, key);
      expect(bodyWidthMm).to.be.within(20, box.width + 1);
    }
    for (const key of PLACEMENT_KEYS) expect(PLACEMENTS[key].on.length).to.be.greaterThan(0);
    expect(
      plan({ placement: { ...front, key: 'cap-front' } })
        .problems.map(({ said }) => inWords(said))
        .join(' '),
    ).to.contain('has no place called cap front');
  });
});
