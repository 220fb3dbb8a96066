/** A value as text that says nothing of the order of its fields, which the database does not keep: what is the same is the same text. */
export const canonical = (value: unknown): string =>
  JSON.stringify(value, (_key, inner: unknown) =>
    typeof inner === 'object' && inner !== null && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([p], [q]) => (p < q ? -1 : 1)))
      : inner,
  );
