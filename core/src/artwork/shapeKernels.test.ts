import { expect } from 'chai';
import fc from 'fast-check';
import { boundsOfBits, countBits, countEdges, hasBit } from './bits.ts';
import type { BitPlane } from './bits.ts';
import { dilate, erode, makeDisc } from './disc.ts';
import { distanceTransform } from './distance.ts';
import { bitsWhere, masks, textOf } from './fixtures/drawnArt.ts';
import { dilateRuns, erodeRuns } from './runMorphology.ts';
import { bitsOfRuns, connectParts, partAt, runsOf } from './runs.ts';
import { findLargestCircle } from './solids.ts';
import { findThinByRuns, findThinParts, gapFinder } from './thinParts.ts';

const discs = fc
  .record({
    radius: fc.double({ min: 0.3, max: 6, noNaN: true }),
    isClosed: fc.boolean(),
    ox: fc.constantFrom(0, 0.5),
    oy: fc.constantFrom(0, 0.5),
  })
  .map((spec) => ({ ...spec, disc: makeDisc(spec.radius, spec.isClosed, spec.ox, spec.oy) }));
type DiscSpec = { radius: number; isClosed: boolean; ox: number; oy: number };

/** Whether (dx, dy) is in a disc: the definition. */
const covers = ({ radius, isClosed, ox, oy }: DiscSpec, dx: number, dy: number): boolean =>
  isClosed ? Math.hypot(dx - ox, dy - oy) <= radius : Math.hypot(dx - ox, dy - oy) < radius;

function offsetsOf(spec: DiscSpec): [number, number][] {
  const all: [number, number][] = [];
  for (let dy = -8; dy <= 8; dy++)
    for (let dx = -8; dx <= 8; dx++) if (covers(spec, dx, dy)) all.push([dx, dy]);
  return all;
}

describe('masks of bits', () => {
  it('erode and dilate by a disc as the definition says, word by word and run by run', () => {
    fc.assert(
      fc.property(masks, discs, (bits, spec) => {
        const offsets = offsetsOf(spec);
        const eroded = bitsWhere(bits.width, bits.height, (x, y) =>
          offsets.every(([dx, dy]) => hasBit(bits, x + dx, y + dy)),
        );
        const dilated = bitsWhere(bits.width, bits.height, (x, y) =>
          offsets.some(([dx, dy]) => hasBit(bits, x - dx, y - dy)),
        );
        const everywhere = bitsWhere(bits.width, bits.height, () => true);
        if (offsets.length === 0) return;
        expect(textOf(erode(bits, spec.disc))).to.deep.equal(textOf(eroded));
        expect(textOf(dilate(bits, spec.disc, everywhere))).to.deep.equal(textOf(dilated));
        expect(textOf(bitsOfRuns(erodeRuns(runsOf(bits), spec.disc)))).to.deep.equal(textOf(eroded));
        expect(textOf(bitsOfRuns(dilateRuns(runsOf(bits), spec.disc)))).to.deep.equal(textOf(dilated));
      }),
      { numRuns: 60 },
    );
  });

  it('count pixels, edges and bounds as one by one', () => {
    fc.assert(
      fc.property(masks, (bits) => {
        let pixels = 0;
        let edges = 0;
        const xs: number[] = [];
        const ys: number[] = [];
        for (let y = 0; y < bits.height; y++)
          for (let x = 0; x < bits.width; x++) {
            if (!hasBit(bits, x, y)) continue;
            pixels++;
            xs.push(x);
            ys.push(y);
            const beside = [
              hasBit(bits, x - 1, y),
              hasBit(bits, x + 1, y),
              hasBit(bits, x, y - 1),
              hasBit(bits, x, y + 1),
            ];
            edges += beside.filter((isSet) => !isSet).length;
          }
        expect(countBits(bits)).to.equal(pixels);
        expect(countEdges(bits)).to.equal(edges);
        const [x, y] = [Math.min(...xs), Math.min(...ys)];
        expect(boundsOfBits(bits)).to.deep.equal(
          pixels === 0 ? null : { x, y, w: Math.max(...xs) - x + 1, h: Math.max(...ys) - y + 1 },
        );
      }),
    );
  });

  it('fall into the same parts as a flood fill, with four and with eight neighbours', () => {
    fc.assert(
      fc.property(masks, fc.constantFrom<4 | 8>(4, 8), (bits, neighbours) => {
        const parts = connectParts(bits, neighbours);
        const filled = floodFill(bits, neighbours);
        expect([...parts.areaPx].sort((p, q) => p - q)).to.deep.equal(
          filled.map((one) => one.length).sort((p, q) => p - q),
        );
        for (const one of filled) {
          const numbers = new Set(one.map(([x, y]) => partAt(parts, x, y)));
          expect(numbers.size).to.equal(1);
          const touches = one.some(
            ([x, y]) => x === 0 || y === 0 || x === bits.width - 1 || y === bits.height - 1,
          );
          expect(parts.isAtBorder[[...numbers][0]] === 1).to.equal(touches);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('findThinParts', () => {
  it('tells a line of three pixels from one of four', () => {
    const line = (px: number) => bitsWhere(60, 20, (x, y) => x >= 5 && x < 55 && y >= 8 && y < 8 + px);
    expect(countBits(findThinParts(line(3), 3))).to.equal(0);
    expect(countBits(findThinParts(line(3), 3.2))).to.equal(150);
    expect(countBits(findThinParts(line(4), 4))).to.equal(0);
    expect(countBits(findThinParts(line(4), 4.2))).to.equal(200);
  });

  it('agrees with the definition on any mask', () => {
    fc.assert(
      fc.property(masks, fc.double({ min: 0.2, max: 7, noNaN: true }), (bits, diameter) => {
        expect(textOf(findThinParts(bits, diameter))).to.deep.equal(textOf(thinByDefinition(bits, diameter)));
      }),
      { numRuns: 30 },
    );
  });

  it('says the same by words and by runs', () => {
    fc.assert(
      fc.property(masks, fc.double({ min: 1, max: 7, noNaN: true }), (bits, diameter) => {
        expect(textOf(findThinByRuns(bits, diameter))).to.deep.equal(textOf(findThinParts(bits, diameter)));
      }),
      { numRuns: 60 },
    );
  });
});

describe('gapFinder', () => {
  it('finds a slit inside the shape and none along the image’s edge', () => {
    const shape = bitsWhere(64, 40, (x, y) => x >= 2 && y >= 2 && x < 62 && y < 38 && !(x >= 30 && x < 32));
    expect(countBits(gapFinder(shape, 3).find(3))).to.be.within(2 * 33, 2 * 37);
    expect(countBits(gapFinder(shape, 3).find(2))).to.equal(0);
  });
});

describe('findLargestCircle', () => {
  /** Shapes thinner than the cells it looks at first, and some that are wider than several of them. */
  const thinAndWide = fc
    .tuple(masks, fc.constantFrom(1, 1, 6))
    .map(([bits, times]) =>
      bitsWhere(times * bits.width, times * bits.height, (x, y) =>
        hasBit(bits, Math.floor(x / times), Math.floor(y / times)),
      ),
    );

  it('reaches the largest distance of a full transform', () => {
    fc.assert(
      fc.property(thinAndWide, (bits) => {
        const inside = new Uint8Array(bits.width * bits.height);
        for (let i = 0; i < inside.length; i++)
          inside[i] = hasBit(bits, i % bits.width, Math.floor(i / bits.width)) ? 1 : 0;
        const field = distanceTransform(inside, bits.width, bits.height);
        const circle = findLargestCircle(bits);
        const farthest = field.reduce((most, own) => Math.max(most, own), 0); // too many to be spread
        expect(circle.squaredPx).to.be.closeTo(farthest ** 2, 1e-6);
        expect(field[circle.y * bits.width + circle.x]).to.be.closeTo(Math.sqrt(circle.squaredPx), 1e-9);
      }),
      { numRuns: 200 },
    );
  });
});

describe('distanceTransform', () => {
  it('agrees with the definition on any mask, with all beyond the image outside', () => {
    fc.assert(
      fc.property(masks, (bits) => {
        const { width, height } = bits;
        const inside = Uint8Array.from({ length: width * height }, (_, i) =>
          hasBit(bits, i % width, Math.floor(i / width)) ? 1 : 0,
        );
        const field = distanceTransform(inside, width, height);
        const x = width >> 1;
        const y = height >> 1;
        let best = Infinity;
        for (let v = -1; v <= height; v++)
          for (let u = -1; u <= width; u++)
            if (!hasBit(bits, u, v)) best = Math.min(best, Math.hypot(u - x, v - y));
        expect(field[y * width + x]).to.be.closeTo(best, 1e-9);
      }),
      { numRuns: 200 },
    );
  });

  it('refuses a mask of another size', () => {
    expect(() => distanceTransform(new Uint8Array(5), 2, 2)).to.throw(RangeError, '5 cells, expected 2 × 2');
  });
});

function floodFill(bits: BitPlane, neighbours: 4 | 8): [number, number][][] {
  const seen = new Set<string>();
  const found: [number, number][][] = [];
  const isNew = (x: number, y: number): boolean => hasBit(bits, x, y) && !seen.has(`${x} ${y}`);
  for (let i = 0; i < bits.width * bits.height; i++) {
    const [x, y] = [i % bits.width, Math.floor(i / bits.width)];
    if (!isNew(x, y)) continue;
    const part: [number, number][] = [];
    const stack: [number, number][] = [[x, y]];
    seen.add(`${x} ${y}`);
    for (let next = stack.pop(); next; next = stack.pop()) {
      part.push(next);
      for (const [dx, dy] of STEPS[neighbours]) {
        const [u, v] = [next[0] + dx, next[1] + dy];
        if (!isNew(u, v)) continue;
        seen.add(`${u} ${v}`);
        stack.push([u, v]);
      }
    }
    found.push(part);
  }
  return found;
}

const SIDES = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
] as const;
const CORNERS = [
  [1, 1],
  [-1, 1],
  [1, -1],
  [-1, -1],
] as const;
const STEPS = { 4: SIDES, 8: [...SIDES, ...CORNERS] };

/** Whether no pixel outside the mask lies nearer to a point than a radius. */
function isClear(bits: BitPlane, cx: number, cy: number, radius: number): boolean {
  const reach = Math.ceil(radius + 1);
  for (let y = Math.floor(cy) - reach; y <= cy + reach; y++)
    for (let x = Math.floor(cx) - reach; x <= cx + reach; x++)
      if (!hasBit(bits, x, y) && Math.hypot(x - cx, y - cy) < radius) return false;
  return true;
}

/** Thin parts straight from the definition, pixel by pixel. */
function thinByDefinition(bits: BitPlane, diameter: number): BitPlane {
  const r = diameter / 2;
  const centres: [number, number][] = [];
  for (let v = -1; v <= 2 * bits.height; v++)
    for (let u = -1; u <= 2 * bits.width; u++) {
      const [cx, cy] = [u / 2, v / 2];
      if (isClear(bits, cx, cy, r + 0.5)) centres.push([cx, cy]);
    }
  const within = (radius: number) => (x: number, y: number) =>
    centres.some(([cx, cy]) => Math.hypot(x - cx, y - cy) <= radius);
  const isOpen = within(r);
  const isNear = within(1.5 * r + 0.5);
  const residue = bitsWhere(bits.width, bits.height, (x, y) => hasBit(bits, x, y) && !isOpen(x, y));
  const kept = floodFill(residue, 8).filter((part) => part.some(([x, y]) => !isNear(x, y)));
  const pixels = new Set(kept.flat().map(([x, y]) => `${x} ${y}`));
  return bitsWhere(bits.width, bits.height, (x, y) => pixels.has(`${x} ${y}`));
}
