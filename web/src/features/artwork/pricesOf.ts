import type { LinePrint } from '@saltflat/contract';
import type { equipmentOf } from '@saltflat/contract/equipment';
import { PRINTS_WITH } from '@saltflat/core/route';
import type { PrintPrices } from './FigureTable.tsx';

/** What the shop pays for what this print takes; nothing where somebody else prints, or where it is not set up. */
export function pricesOf(
  { inkSets, films, powders, pretreatments }: ReturnType<typeof equipmentOf>,
  process: LinePrint['process'],
  kind: string,
): PrintPrices {
  const use = PRINTS_WITH[process]?.ink;
  const inkSet = inkSets.find((own) => own.use === use);
  const [powder] = powders;
  const fluid = pretreatments.find(({ fibre }) => fibre === 'cotton');
  return {
    colourCentsPerMl: inkSet?.colourCentsPerMl ?? 0,
    whiteCentsPerMl: inkSet?.whiteCentsPerMl ?? 0,
    filmCentsPerM2: films[0]?.centsPerM2 ?? 0,
    powderCentsPerKg: powder?.centsPerKg ?? 0,
    pretreatmentCentsPerKg: kind === 'dtg-dark' ? (fluid?.centsPerKg ?? 0) : 0,
    isLaydownWeighed: inkSet?.status === 'weighed',
    isPowderWeighed: powder?.status === 'weighed',
  };
}
