import type { WaitingTransfers } from '@saltflat/contract';
import { ownerOf } from '@saltflat/contract/filmJob';
import { CUT_S } from '@saltflat/core/film';
import type { Cuts, Placement } from '@saltflat/core/film';

/** What a layout takes besides film. */
export interface LayoutWork {
  /** On the printer, all sheets, s. */
  printS: number;
  powderG: number;
  /** Of hands, s; an estimate. */
  cuttingS: number;
  /** Orders on it, and how many of them lie on one sheet each. */
  orders: number;
  wholeOrders: number;
}

/** What a layout of transfers takes besides film: on a sheet the longest pauses of any of its prints count. */
export function workOf(
  transfers: readonly WaitingTransfers[],
  placements: readonly Placement[],
  cuts: Cuts,
): LayoutWork {
  const perSheet = new Map<number, number>();
  const sheetsOf = new Map<string, Set<number>>();
  const work = { printS: 0, powderG: 0 };
  for (const own of placements) {
    const owner = ownerOf(transfers, own)?.owner;
    if (!owner) continue;
    work.printS += owner.printS.each;
    work.powderG += owner.powderG;
    perSheet.set(own.sheet, Math.max(perSheet.get(own.sheet) ?? 0, owner.printS.sheet));
    sheetsOf.set(owner.orderId, (sheetsOf.get(owner.orderId) ?? new Set()).add(own.sheet));
  }
  for (const seconds of perSheet.values()) work.printS += seconds;
  return {
    ...work,
    cuttingS: perSheet.size * CUT_S.sheet + cuts.straight * CUT_S.straight + cuts.byHand * CUT_S.byHand,
    orders: sheetsOf.size,
    wholeOrders: [...sheetsOf.values()].filter(({ size }) => size === 1).length,
  };
}
