import type { Route } from './documents.ts';
import { timedPhases } from '../work/index.ts';
import type { ProcessName } from '../words/index.ts';

/** Processes whose transfers are printed on film here. */
export const ON_FILM = [
  'dtf',
  'dtf-platen',
  'sub-film',
  'patch-cap',
] as const satisfies readonly ProcessName[];

/** Transfers that a line has printed here, for one of its prints. */
export interface LineTransfers {
  print: string;
  /** Where on the garment it goes, to be translated. */
  place: string;
  process: ProcessName;
  /** Things of the set-up by id and name. */
  film: { id: string; name: string };
  powder: { id: string; name: string } | null;
  printer: { id: string; name: string } | null;
  /** Time on the printer, s: for each sheet, and for each transfer on it. */
  printS: { sheet: number; each: number };
  /** Powder that stays on one transfer, g. */
  powderG: number;
  /** By their size on film, mm: which of the line's transfers, from 1, spares last. */
  sizes: { widthMm: number; heightMm: number; slots: number[] }[];
  spares: number;
  /** They are made to be kept. */
  isForShelf: boolean;
}

/** What of a route is printed on film here, print by print; nothing of what comes from elsewhere or from the shelf. */
export function transfersOf({
  lanes,
  operations,
  prints,
}: Pick<Route, 'lanes' | 'operations' | 'prints'>): LineTransfers[] {
  return lanes.flatMap(({ id, part, print: printId, spares }) => {
    const print = prints.find((own) => own.id === printId);
    const own = operations.filter(({ lane }) => lane === id);
    const printing = own.find(({ role }) => role === 'print');
    if (part !== 'transfer' || !print || !printing) return [];
    const chosen = (wished: string): { id: string; name: string } | null => {
      const source = print.sources.find(({ role }) => role === wished);
      return source ? { id: source.id, name: source.name } : null;
    };
    const film = chosen('film');
    if (film === null) return [];
    return [
      {
        print: print.id,
        place: print.placement.label,
        process: print.process,
        film,
        powder: chosen('powder'),
        printer: chosen('printer'),
        printS: {
          sheet: timedPhases(printing).reduce((sum, { onceS }) => sum + onceS, 0),
          each: timedPhases(printing).reduce((sum, { eachS }) => sum + eachS, 0),
        },
        powderG: own
          .filter(({ role }) => role === 'powder')
          .flatMap(({ consumes }) => consumes)
          .reduce((sum, { kind, amount }) => sum + (kind === 'mass' ? amount : 0), 0),
        sizes: sizesOnFilm(print.placement.sizes, spares),
        spares,
        isForShelf: operations.some(({ role }) => role === 'shelve'),
      },
    ];
  });
}

/** Transfers by their size. Pieces are numbered size by size; spares are as large as the largest, so that they serve any. */
export function sizesOnFilm(
  sizes: readonly { quantity: number; widthMm: number; heightMm: number }[],
  spares: number,
): LineTransfers['sizes'] {
  const found = new Map<string, LineTransfers['sizes'][number]>();
  let slot = 0;
  const add = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }, count: number): void => {
    const key = `${widthMm} ${heightMm}`;
    const own = found.get(key) ?? { widthMm, heightMm, slots: [] };
    found.set(key, own);
    for (let i = 0; i < count; i++) own.slots.push(++slot);
  };
  for (const size of sizes) add(size, size.quantity);
  const [largest] = [...sizes].sort((p, q) => q.widthMm - p.widthMm);
  if (largest) add(largest, spares);
  return [...found.values()];
}
