import type { Operation } from '@saltflat/core/work';
import { useWords } from '../../units/useWords.ts';

interface Props {
  operation: Operation;
  label?: string;
}

/** What is to be looked at in an operation, as its route says it. */
export function CheckList({ operation, label }: Props) {
  const words = useWords();
  return (
    <ul style={{ margin: 0, paddingLeft: 20, listStyle: 'disc' }} aria-label={label}>
      {operation.checks.map((check) => (
        <li key={check.code}>{words(check)}</li>
      ))}
    </ul>
  );
}
