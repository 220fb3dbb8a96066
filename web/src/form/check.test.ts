import { DomainError, OrderInput, parse, parseMachine } from '@saltflat/contract';
import { faultsIn } from '@saltflat/contract/faults';
import type { FieldProblem } from '@saltflat/contract/problems';
import { expect } from 'chai';
import fc from 'fast-check';
import { problemsIn, resolverOf } from './check.ts';
import { compiled } from './compiled.ts';

const ID = '5f3b7a52-5a1e-4b6e-9e0f-2f6a1c9d8e70';
const ORDER = {
  customer: 'Test Pier',
  dueAt: '2031-02-05T16:00:00Z',
  note: '',
  lines: [
    {
      styleId: ID,
      colourId: ID,
      prints: [
        {
          artworkId: null,
          placement: 'back',
          dropMm: 90,
          widthMm: 300,
          process: 'dtg',
          grades: [{ sizes: ['L'], widthMm: 320 }],
        },
      ],
      sizes: [{ size: 'L', quantity: 2 }],
      house: { secondPress: 'none' },
    },
  ],
};

/** Every place of a document, as keys from the outside in. */
function placesOf(value: unknown, at: readonly string[] = []): string[][] {
  const inner = typeof value === 'object' && value !== null ? Object.entries(value) : [];
  return [[...at], ...inner.flatMap(([key, own]) => placesOf(own, [...at, key]))];
}

function withOther(value: unknown, [key, ...rest]: readonly string[], other: unknown): unknown {
  if (key === undefined) return other;
  const copy = (Array.isArray(value) ? [...(value as unknown[])] : { ...(value as object) }) as Record<
    string,
    unknown
  >;
  copy[key] = withOther(copy[key], rest, other);
  if (other === undefined && rest.length === 0 && !Array.isArray(copy)) Reflect.deleteProperty(copy, key);
  return copy;
}

function refusedByServer(data: unknown): readonly FieldProblem[] {
  try {
    parse(OrderInput, data);
    return [];
  } catch (error) {
    return error instanceof DomainError ? (error.extra.fields ?? []) : [];
  }
}

describe('the check of a form', () => {
  const other = fc.constantFrom(undefined, null, '', ' ', 'twelve', -1, 0.5, 1e9, true, [], {}, ['L', 'L']);

  it('refuses what the server would, at the same fields, in the same words', async () => {
    const check = await compiled('order', 'order')();
    expect(check(ORDER)).to.equal(true);
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(), other), { minLength: 1, maxLength: 3 }), (changes) => {
        const data = changes.reduce<unknown>((own, [pick, value]) => {
          const places = placesOf(own);
          return withOther(own, places[pick % places.length] ?? [], value);
        }, ORDER);
        const own = check(data) ? [] : faultsIn(check.errors ?? []).fields;
        expect(own).to.deep.equal(refusedByServer(data));
      }),
      { numRuns: 400 },
    );
  });

  it('marks the field inside a list, and the list itself', async () => {
    const resolve = resolverOf({ check: compiled('order', 'order') });
    const [line] = ORDER.lines;
    const answer = async (lines: unknown): Promise<Record<string, string>> => {
      const options = { fields: {}, shouldUseNativeValidation: false };
      return problemsIn((await resolve({ ...ORDER, lines }, undefined, options)).errors);
    };
    expect(await answer([{ ...line, sizes: [] }])).to.deep.equal({
      '/lines/0/sizes': 'Give the number of pieces in at least one size.',
    });
    const sizes = [
      { size: 'L', quantity: 2 },
      { size: 'M', quantity: 0 },
    ];
    expect(await answer([line, { ...line, sizes }])).to.deep.equal({
      '/lines/1/sizes/1/quantity': '“Quantity” must be at least 1, but 0 was given.',
    });
    expect(await answer([])).to.deep.equal({ '/lines': '“Lines” needs at least 1.' });
  });

  it('takes a record by the document of its kind, and lets the server judge where no check comes', async () => {
    const press = await compiled('machines', 'press')();
    expect(press({ kind: 'press', name: 'Press A', maker: '', properties: {} })).to.equal(false);
    const told = faultsIn(press.errors ?? []).fields.map(({ path }) => path);
    let server: readonly FieldProblem[] = [];
    try {
      parseMachine({ kind: 'press', name: 'Press A', maker: '', properties: {} });
    } catch (error) {
      server = error instanceof DomainError ? (error.extra.fields ?? []) : [];
    }
    expect(told).to.have.members(server.map(({ path }) => path)).and.not.be.empty;

    const resolve = resolverOf({ check: () => Promise.reject(new Error('the network is away')) });
    const { errors } = await resolve({}, undefined, { fields: {}, shouldUseNativeValidation: false });
    expect(errors).to.deep.equal({});
  });
});
