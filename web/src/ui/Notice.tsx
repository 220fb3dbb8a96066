import Button from '@mui/material/Button';

interface Props {
  title: string;
  children?: React.ReactNode;
  onRetry?: () => void;
}

/** Says what is not there and what to do about it: empty, missing and failed states alike. */
export function Notice({ title, children, onRetry }: Props) {
  return (
    <div className="empty" role="status">
      <h2>{title}</h2>
      {children}
      {onRetry && (
        <p style={{ marginTop: 12 }}>
          <Button variant="outlined" onClick={onRetry}>
            Try again
          </Button>
        </p>
      )}
    </div>
  );
}

/** Shown only after a moment, so that quick answers do not flicker. */
export const Loading = ({ what }: { what: string }) => (
  <p className="empty" role="status">
    Fetching {what} …
  </p>
);
