import { t } from '../../words/index.ts';
import LinearProgress from '@mui/material/LinearProgress';
import { Button } from '../actions/Button.tsx';

interface Props {
  words: string;
  /** 0 to 1; `null` where nobody can say. */
  share: number | null;
  onCancel?: () => void;
}

/** How far long work is, said and shown; it can be given up where that is offered. */
export function Progress({ words, share, onCancel }: Props) {
  const percent = share === null ? null : Math.round(100 * share);
  return (
    <div role="status" style={{ display: 'flex', gap: 12, alignItems: 'center' }}>
      <div style={{ display: 'grid', gap: 4, flex: 1, minWidth: 120 }}>
        <span className="small">
          {words}
          {percent !== null && `: ${percent} %`}
        </span>
        <LinearProgress
          aria-label={words}
          {...(percent === null ? {} : { variant: 'determinate', value: percent })}
        />
      </div>
      {onCancel && (
        <Button size="small" onClick={onCancel}>
          {t('Stop')}
        </Button>
      )}
    </div>
  );
}
