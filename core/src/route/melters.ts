import type { Range } from '../work/index.ts';
import type { PrintInput } from './documents.ts';
import { needed, pressFor } from './equip.ts';

export type MeltMeans = PrintInput['house']['meltMeans'];

/** What film is melted on or in. */
export interface Melter {
  id: string;
  name: string;
  means: MeltMeans;
  ability: Range;
  surface: { widthMm: number; heightMm: number };
}

/** The house's way of melting, or the one there is a machine for. */
export function melterFor(input: Pick<PrintInput, 'equipment' | 'house' | 'print'>): Melter {
  const { equipment, house } = input;
  const { oven, griddle } = equipment;
  const press = equipment.presses.length > 0 ? pressFor(input) : null;
  const there: Record<MeltMeans, Omit<Melter, 'means'> | null> = {
    oven: oven && { id: oven.id, name: oven.name, ability: oven.chamberC, surface: oven },
    griddle: griddle && { id: griddle.id, name: griddle.name, ability: griddle.surfaceC, surface: griddle },
    hover: press && { id: press.id, name: press.name, ability: press.plateC, surface: press },
  };
  const order: MeltMeans[] = [house.meltMeans, 'oven', 'hover', 'griddle'];
  const means = needed(
    order.find((own) => there[own] !== null),
    'oven, griddle or press to melt powder',
  );
  return { means, ...needed(there[means], means) };
}
