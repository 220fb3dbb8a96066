import { DomainError } from '@saltflat/contract';

interface Part {
  children: number[];
  /** Names of parts it draws again: by `use`, or as its pattern, mask, clip, marker or filter. */
  refers: string[];
}

const MOST_DRAWN = 200_000;

/**
 * Counts what a drawing draws once all its repeats are followed: twenty parts that each use the former one ten times are few to
 * read and more than any time is enough to draw.
 */
export class DrawingCost {
  private readonly parts: Part[] = [];
  private readonly byId = new Map<string, number>();
  private readonly stack: number[] = [];

  open(element: string, attributes: readonly (readonly [string, string])[]): void {
    const own = this.parts.length;
    this.parts.push({ children: [], refers: [] });
    const parent = this.stack[this.stack.length - 1];
    if (parent !== undefined) this.parts[parent]?.children.push(own);
    this.stack.push(own);
    for (const [key, value] of attributes) {
      if (key === 'id' && !this.byId.has(value)) this.byId.set(value, own);
      else if (key === 'xlink:href' && value.startsWith('#') && element !== 'a')
        this.parts[own]?.refers.push(value.slice(1));
      else if (value.includes('url(')) this.refer(value);
    }
  }

  close(): void {
    this.stack.pop();
  }

  /** What a style refers to counts for the part it stands in. */
  refer(css: string): void {
    const own = this.parts[this.stack[this.stack.length - 1] ?? 0];
    for (const [, id = ''] of css.matchAll(/url\(["']?#([^"')]*)/g)) own?.refers.push(id);
  }

  /** @throws DomainError `picture-too-heavy` */
  refuseHeavy(name: string): void {
    if (this.drawn() > MOST_DRAWN)
      throw new DomainError(
        'picture-too-heavy',
        `“${name}” repeats its parts more than ${MOST_DRAWN} times over. Turn the repeats into paths, or export the art as a PNG.`,
      );
  }

  /** Depth first without recursion, since parts may refer to each other in a long row; a ring is drawn by no renderer. */
  private drawn(): number {
    const counted = new Map<number, number>();
    const begun = new Set<number>();
    const row = this.parts.length > 0 ? [0] : [];
    while (row.length > 0) {
      const own = row[row.length - 1] ?? 0;
      const nexts = this.nextsOf(own);
      if (!begun.has(own)) {
        begun.add(own);
        row.push(...nexts.filter((next) => !begun.has(next)));
        continue;
      }
      row.pop();
      if (!counted.has(own))
        counted.set(
          own,
          nexts.reduce((sum, next) => sum + (counted.get(next) ?? 0), 1),
        );
    }
    return counted.get(0) ?? 0;
  }

  private nextsOf(own: number): number[] {
    const { children = [], refers = [] } = this.parts[own] ?? {};
    const referred = refers.flatMap((id) => {
      const at = this.byId.get(id);
      return at === undefined ? [] : [at];
    });
    return [...children, ...referred];
  }
}
