import type { Range } from '../work/index.ts';
import type { PrintInput } from './documents.ts';
import { CHOICES, needed, pressFor } from './equip.ts';

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
export function melterFor(input: PrintInput): Melter {
  const { equipment, house } = input;
  const there: Record<MeltMeans, boolean> = {
    oven: equipment.ovens.length > 0,
    griddle: equipment.griddles.length > 0,
    hover: equipment.presses.length > 0,
    belt: equipment.belts.length > 0,
  };
  const order: MeltMeans[] = [house.meltMeans, 'oven', 'belt', 'hover', 'griddle'];
  const means = needed(
    order.find((own) => there[own]),
    'melter',
  );
  return { means, ...MELTERS[means](input) };
}

const MELTERS: Record<MeltMeans, (input: PrintInput) => Omit<Melter, 'means'>> = {
  oven: (input) => {
    const oven = CHOICES.oven(input).chosen;
    return { id: oven.id, name: oven.name, ability: oven.chamberC, surface: oven };
  },
  griddle: (input) => {
    const griddle = CHOICES.griddle(input).chosen;
    return { id: griddle.id, name: griddle.name, ability: griddle.surfaceC, surface: griddle };
  },
  belt: (input) => {
    const { id, name, tunnelC, widthMm, tunnelMm } = CHOICES.belt(input).chosen;
    return { id, name, ability: tunnelC, surface: { widthMm, heightMm: tunnelMm } };
  },
  hover: (input) => {
    const press = pressFor(input);
    return { id: press.id, name: press.name, ability: press.plateC, surface: press };
  },
};
