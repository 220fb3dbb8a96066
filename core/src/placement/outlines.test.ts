import { expect } from 'chai';
import { BLANK_KINDS } from '../blank/index.ts';
import type { BlankKind } from '../blank/index.ts';
import { PLACEMENTS, PLACEMENT_KEYS, outlineOf, outlineScale, placementsOn, printTop } from './index.ts';
import type { PlacementKey } from './index.ts';

interface Point {
  x: number;
  y: number;
}
type Curve = readonly Point[];

/** The curves of a path of absolute M, L, C, Q and A commands, each as its control points. */
function curvesOf(path: string): Curve[] {
  const curves: Curve[] = [];
  let at: Point = { x: 0, y: 0 };
  for (const [, command, numbers] of path.matchAll(/([MLCQAZ])([^MLCQAZ]*)/g)) {
    const values = (numbers?.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);
    const points = pairs(command === 'A' ? values.slice(-2) : values);
    if (command !== 'M' && points.length > 0) curves.push([at, ...points]);
    at = points.at(-1) ?? at;
  }
  return curves;
}
const pairs = (values: number[]): Point[] =>
  Array.from({ length: values.length / 2 }, (_, i) => ({
    x: values[2 * i] ?? NaN,
    y: values[2 * i + 1] ?? NaN,
  }));

/** A point of a Bézier curve of any degree, by de Casteljau's construction. */
function pointOn(curve: Curve, t: number): Point {
  if (curve.length === 1) return curve[0];
  const between = curve.slice(1).map((p, i) => {
    const q = curve[i];
    return { x: q.x + (p.x - q.x) * t, y: q.y + (p.y - q.y) * t };
  });
  return pointOn(between, t);
}
const drawn = (path: string): Point[] =>
  curvesOf(path).flatMap((curve) => Array.from({ length: 21 }, (_, i) => pointOn(curve, i / 20)));
const span = (values: number[]): [number, number] => [Math.min(...values), Math.max(...values)];

const SIDES: readonly [BlankKind, PlacementKey][] = BLANK_KINDS.flatMap((kind) =>
  placementsOn(kind).map((key): [BlankKind, PlacementKey] => [kind, key]),
);

describe('the outline of a blank', () => {
  it('lies in its box with everything drawn on it, front and back', () => {
    for (const [kind, key] of SIDES) {
      const { body, details, box } = outlineOf(kind, key);
      for (const { x, y } of drawn(`${body} ${details}`)) {
        expect(x, `${kind} ${key}`).to.be.within(box.x - 0.5, box.x + box.width + 0.5);
        expect(y, `${kind} ${key}`).to.be.within(box.y - 0.5, box.y + box.height + 0.5);
      }
    }
  });

  it('fills its box: nothing is drawn smaller than it has to be', () => {
    for (const kind of BLANK_KINDS) {
      const [key] = placementsOn(kind);
      const front = outlineOf(kind, key);
      const points = drawn(`${front.body} ${front.details}`);
      const [left, right] = span(points.map(({ x }) => x));
      const [top, bottom] = span(points.map(({ y }) => y));
      expect(right - left, kind).to.be.closeTo(front.box.width, 30);
      expect(bottom - top, kind).to.be.closeTo(front.box.height, 30);
    }
  });

  it('is the same on both sides of its middle', () => {
    for (const kind of BLANK_KINDS) {
      const [left, right] = span(drawn(outlineOf(kind, placementsOn(kind)[0]).body).map(({ x }) => x));
      expect(left + right, kind).to.be.closeTo(0, 1e-9);
    }
  });

  it('is as wide at its widest straight part as the body width it was drawn for', () => {
    for (const kind of BLANK_KINDS) {
      const { body, bodyWidthMm } = outlineOf(kind, placementsOn(kind)[0]);
      const ends = curvesOf(body).map((curve) => curve.at(-1)!.x);
      expect(
        ends.some((x) => Math.abs(2 * Math.abs(x) - bodyWidthMm) < 3),
        `${kind}: ${bodyWidthMm}`,
      ).to.equal(true);
    }
  });

  it('grows with the body of a size, and stays as drawn where the chart does not say', () => {
    const outline = outlineOf('tee', 'full-front');
    expect(outlineScale(outline, null)).to.equal(1);
    expect(outlineScale(outline, 2 * outline.bodyWidthMm)).to.equal(2);
  });

  it('shows the back where the print is on the back', () => {
    expect(outlineOf('hoodie', 'back').details).to.not.equal(outlineOf('hoodie', 'full-front').details);
    expect(outlineOf('cap-six', 'cap-rear').details).to.not.equal(outlineOf('cap-six', 'cap-front').details);
    expect(outlineOf('cap-five', 'cap-front').details).to.not.contain('M 0 -95');
  });
});

describe('where a print is drawn', () => {
  it('begins on the body, at each place’s usual drop', () => {
    for (const [kind, key] of SIDES) {
      const { box } = outlineOf(kind, key);
      const { x, y } = printTop(key, PLACEMENTS[key].dropMm);
      expect(x, `${kind} ${key}`).to.be.within(box.x, box.x + box.width);
      expect(y, `${kind} ${key}`).to.be.within(box.y, box.y + box.height);
    }
  });

  it('goes down by what the drop goes down, everywhere', () => {
    for (const key of PLACEMENT_KEYS) {
      const [p, q] = [printTop(key, 20), printTop(key, 65)];
      expect([q.x - p.x, q.y - p.y], key).to.deep.equal([0, 45]);
    }
  });

  it('is on the wearer’s side: left is to the viewer’s right, and sleeves mirror each other', () => {
    expect(printTop('left-chest', 90).x).to.equal(-printTop('right-chest', 90).x).and.be.above(0);
    expect(printTop('left-sleeve', 40).x).to.equal(-printTop('right-sleeve', 40).x).and.be.above(0);
    expect(printTop('left-sleeve', 40).y).to.equal(printTop('right-sleeve', 40).y);
    for (const key of ['full-front', 'back', 'tote-front', 'cap-front', 'cushion-front'] as const)
      expect(printTop(key, 10).x, key).to.equal(0);
  });
});
