import type { Order, OrderLine } from '@saltflat/contract';

/** A line of an order as a page gets it; all made up. */
export const aLine = (part: Partial<OrderLine> = {}): OrderLine => ({
  id: '7f000001-0000-4000-8000-000000000001',
  position: 1,
  code: 'K-501',
  styleId: '7f000001-0000-4000-8000-00000000000a',
  styleName: 'Harbour tee',
  styleKind: 'tee',
  colour: {
    id: '7f000001-0000-4000-8000-00000000000b',
    name: 'Navy',
    hex: '#1b2a4a',
    tone: 'dark',
    dye: 'dyed',
  },
  prints: [
    {
      id: '1',
      artwork: null,
      preparation: null,
      placement: 'full-front',
      dropMm: 75,
      widthMm: 280,
      process: 'dtf',
      grades: [],
      findings: [],
    },
  ],
  proof: null,
  sizes: [{ size: 'M', quantity: 12 }],
  house: {},
  pieces: 12,
  state: 'ready',
  planProblem: null,
  routeNumber: 1,
  artOverrule: null,
  activeRunId: null,
  ...part,
});

export const anOrder = (part: Partial<Order> = {}): Order => ({
  id: '7f000001-0000-4000-8000-000000000002',
  code: 'K-501',
  customer: 'Slipway Rowers',
  dueAt: '2031-03-01T16:00:00.000Z',
  note: '',
  state: 'ready',
  version: 1,
  lines: [aLine()],
  createdAt: '2031-02-01T08:00:00.000Z',
  cancelledAt: null,
  ...part,
});
