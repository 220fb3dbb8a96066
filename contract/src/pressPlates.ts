import type { Machine } from './catalogue.ts';

/** A press as a survey knows it: its plate. */
export interface PressPlate {
  id: string;
  name: string;
  kind: 'press' | 'cap-press';
  plate: { widthMm: number; heightMm: number };
}

/** The presses among machines, flat ones first. */
export function pressPlates(machines: readonly Machine[]): PressPlate[] {
  return (['press', 'cap-press'] as const).flatMap((kind) =>
    machines
      .filter((own) => own.kind === kind)
      .map(({ id, name, properties }) => {
        const { widthMm, heightMm } = properties as { widthMm: number; heightMm: number }; // checked when it was kept
        return { id, name, kind, plate: { widthMm, heightMm } };
      }),
  );
}
