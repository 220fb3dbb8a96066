import type { QuantityKind } from '../units/index.ts';
import { partsIn } from '../work/index.ts';
import type { Lane, Operation } from '../work/index.ts';
import { countedAs } from './countedAs.ts';
import type { Counted } from './countedAs.ts';

/** A line that is to be made, or on its way. */
export interface LineToMake {
  lanes: readonly Lane[];
  operations: readonly Pick<Operation, 'id' | 'lane' | 'consumes'>[];
  pieces: number;
  /** Parts that are still to go through an operation; `null` where nothing has begun. */
  leftOf: ((operation: Pick<Operation, 'id' | 'lane'>) => number) | null;
}

/** How much lines take of a material, in what routes count it: g, ml, m², pieces. */
export interface StockNeed {
  id: string;
  kind: QuantityKind;
  amount: number;
}

/** What lines take of each material, as their routes say. */
export function stockNeeds(lines: readonly LineToMake[]): StockNeed[] {
  const needs = new Map<string, StockNeed>();
  for (const { lanes, operations, pieces, leftOf } of lines)
    for (const operation of operations) {
      const parts = leftOf === null ? partsIn(lanes, operation.lane, pieces) : leftOf(operation);
      for (const { id, kind, amount } of operation.consumes) {
        if (id === null) continue;
        const key = `${id} ${kind}`;
        const known = needs.get(key);
        needs.set(key, { id, kind, amount: (known?.amount ?? 0) + amount * parts });
      }
    }
  return [...needs.values()];
}

/** A material of which less is there than lines take, in what the shop counts it in. */
export interface RunningShort {
  id: string;
  name: string;
  stockUnit: string;
  stock: number;
  needs: number;
}

/** Materials of which less is there than is needed, the shortest first; what nobody counts is in none. */
export function runsShort(
  needs: readonly StockNeed[],
  materials: readonly (Omit<Counted, 'stock'> & { id: string; name: string; stock: number | null })[],
): RunningShort[] {
  return materials
    .flatMap((own): RunningShort[] => {
      const { id, name, stock, stockUnit } = own;
      if (stock === null) return [];
      let needed = 0;
      for (const { kind, amount } of needs.filter((need) => need.id === id)) {
        const each = countedAs(kind, { ...own, stock });
        if (each === null) return [];
        needed += amount / each;
      }
      return needed > stock ? [{ id, name, stockUnit, stock, needs: needed }] : [];
    })
    .sort((p, q) => p.stock / p.needs - q.stock / q.needs || p.name.localeCompare(q.name));
}
