import { rich, t } from '../../words/index.ts';
import { styled } from '@mui/material/styles';
import { TOKENS } from '../theme/tokens.ts';
import { Button } from '../actions/Button.tsx';

const Middle = styled('div')({
  padding: '48px 24px',
  textAlign: 'center',
  color: TOKENS.muted,
  '& h1, & h2': { color: TOKENS.ink, marginBottom: 6 },
});

interface Props {
  title: string;
  children?: React.ReactNode;
  /** The first thing to do. */
  action?: React.ReactNode;
  /** It is the whole page. */
  isPage?: boolean;
}

/** Nothing is here: what that means and what to do first. */
export function Empty({ title, children, action, isPage = false }: Props) {
  return (
    <Middle role="status">
      {isPage ? <h1>{title}</h1> : <h2>{title}</h2>}
      {children}
      {action !== undefined && <p style={{ marginTop: 12 }}>{action}</p>}
    </Middle>
  );
}

/** Something could not be fetched: what, why, and once more. */
export function Failed({ title, children, onRetry }: Props & { onRetry?: () => void }) {
  return (
    <Middle role="alert">
      <h2>{title}</h2>
      {children}
      {onRetry && (
        <p style={{ marginTop: 12 }}>
          <Button onClick={onRetry}>{t('Try again')}</Button>
        </p>
      )}
    </Middle>
  );
}

/** On its way. */
export const Loading = ({ what }: { what: string }) => (
  <Middle role="status">{rich('Fetching {what} …', { what })}</Middle>
);
