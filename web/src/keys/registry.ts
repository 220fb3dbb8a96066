/** One key as the sheet of keys tells it. */
export interface KeyLine {
  /** As it is printed on the keyboard: `g o`, `Ctrl z`. */
  shown: string;
  does: string;
}

export interface KeyGroup {
  /** Where they work: a place, or everywhere. */
  scope: string;
  lines: readonly KeyLine[];
}

let groups: readonly KeyGroup[] = [];
const hearers = new Set<() => void>();

const change = (next: readonly KeyGroup[]): void => {
  groups = next;
  for (const hear of hearers) hear();
};

/**
 * Tells the sheet of keys what works now, for as long as it does.
 *
 * @returns takes it back
 */
export function tellKeys(group: KeyGroup): () => void {
  change([...groups, group]);
  return () => change(groups.filter((own) => own !== group));
}

/** All that works now, in the order it was told. */
export const keysNow = (): readonly KeyGroup[] => groups;

export function hearKeys(hear: () => void): () => void {
  hearers.add(hear);
  return () => hearers.delete(hear);
}
