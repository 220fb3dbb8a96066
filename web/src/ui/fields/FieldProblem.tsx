import { TOKENS } from '../theme/tokens.ts';

/** What is wrong with a group of fields, below it. */
export const FieldProblem = ({ children }: { children: string | undefined }) =>
  children ? (
    <p role="alert" style={{ color: TOKENS.roseInk, fontSize: 13 }}>
      {children}
    </p>
  ) : null;
