import { DomainError, refused } from '@saltflat/contract';
import type { Material, Order, OrderInput, OrderLine, ShelfPrintInput, ShelfWish } from '@saltflat/contract';
import type { ShelfReads } from './shelfReads.ts';
import type { ShelfStore } from './shelfStore.ts';

interface Needs {
  store: ShelfStore;
  reads: ShelfReads;
  materials: () => Promise<readonly Material[]>;
  orders: {
    get: (id: string) => Promise<Order>;
    /** A line as a person would write it on another order. */
    asCopy: (line: OrderLine) => OrderInput['lines'][number];
    add: (input: OrderInput) => Promise<Order>;
  };
  now: () => number;
}

/** What is printed for the shelf belongs to nobody, and is due within a week (assumption). */
const FOR_THE_SHELF = 'For the shelf';
const DUE_DAYS = 7;
const DAY_MS = 86_400_000;

/** Transfers of which so many are to lie ready: which run short, and how more of them come. */
export class StockWishes {
  constructor(private readonly needs: Needs) {}

  /** All kinds with a wish, those that run short first. */
  async list(): Promise<ShelfWish[]> {
    const materials = await this.needs.materials();
    const wished = materials.filter((own) => wishOf(own) > 0);
    if (wished.length === 0) return [];
    const stock = await this.needs.store.stock();
    const wishes = await Promise.all(
      wished.map((kind) => this.wish(kind, materials, Math.max(0, stock.get(kind.id) ?? 0))),
    );
    return wishes.sort((p, q) => q.missing - p.missing || p.name.localeCompare(q.name));
  }

  /** Takes in an order for so many of a kind, printed like the line that was printed so last. */
  async print({ materialId, pieces }: ShelfPrintInput): Promise<Order> {
    const { orders, now } = this.needs;
    const wish = (await this.list()).find((own) => own.materialId === materialId);
    if (!wish)
      throw refused('/materialId', 'Kind of transfer: choose one of which the shop keeps so many ready.');
    if (!wish.like)
      throw new DomainError(
        'not-now',
        `No line here has printed ${wish.artwork} yet, so nobody knows on what. Take it in as an order, with “made for stock” as its exception.`,
      );
    const { orderId, lineId, print, size, code } = wish.like;
    const line = (await orders.get(orderId)).lines.find(({ id }) => id === lineId);
    const copy = line && orders.asCopy(line);
    const own = copy?.prints[line?.prints.findIndex(({ id }) => id === print) ?? -1];
    if (!copy || !own) throw new DomainError('not-now', `${code} is not there any more. Look again.`);
    return orders.add({
      customer: FOR_THE_SHELF,
      dueAt: new Date(now() + DUE_DAYS * DAY_MS).toISOString(),
      note: `${wish.name}: ${wish.free} free of ${wish.wished} wished`,
      lines: [
        {
          ...copy,
          prints: [own],
          sizes: [{ size, quantity: pieces }],
          house: { ...copy.house, filmUse: 'stock' },
        },
      ],
    });
  }

  private async wish(kind: Material, materials: readonly Material[], free: number): Promise<ShelfWish> {
    const { reads } = this.needs;
    const { id: materialId, name, properties } = kind;
    const artwork = String(properties.artwork);
    const artworkId = await reads.artworkNamed(artwork);
    const { coming, like } = await reads.printedLike(artworkId, Number(properties.widthMm));
    const bought = materials.find((own) => own.kind === 'bought-in' && own.maker === kind.maker);
    const wished = wishOf(kind);
    return {
      ...{ materialId, name, artwork, artworkId, wished, free, coming },
      missing: Math.max(0, wished - free - coming),
      like: bought ? null : like,
      supplier: bought
        ? {
            name: bought.name,
            minimum: Number(bought.properties.minimum),
            leadDays: Number(bought.properties.leadDays),
          }
        : null,
    };
  }
}

const wishOf = ({ kind, properties }: Material): number =>
  kind === 'shelf-transfer' ? Number(properties.keepAtLeast ?? 0) : 0;
