interface Difference {
  operation: string;
  what: string;
  before: string | null;
  after: string | null;
}

/** What differs, one a line: where, what, before and after. */
export function DifferenceList({
  differences,
  words = (text) => text,
}: {
  differences: readonly Difference[];
  /** How a text is shown: for units. */
  words?: (text: string) => string;
}) {
  return (
    <ul className="differences">
      {differences.map(({ operation, what, before, after }, i) => (
        <li key={i}>
          <span className="muted">
            {operation}, {what}:
          </span>{' '}
          {before !== null && <s>{words(before)}</s>}
          {before !== null && after !== null && ' → '}
          {after !== null && <strong>{words(after)}</strong>}
          {after === null && before !== null && ' gone'}
        </li>
      ))}
    </ul>
  );
}
