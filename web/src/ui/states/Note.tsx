import { t } from '../../words/index.ts';
import { styled } from '@mui/material/styles';
import { ownProps } from '../theme/ownProps.ts';
import { TOKENS } from '../theme/tokens.ts';
import { Button } from '../actions/Button.tsx';

const TONES = {
  info: { background: TOKENS.brinePale, color: TOKENS.ink },
  caution: { background: TOKENS.ochrePale, color: TOKENS.ochre },
  alarm: { background: TOKENS.rosePale, color: TOKENS.roseInk },
} as const;

const Box = styled(
  'div',
  ownProps('tone', 'isSmall'),
)<{
  tone: keyof typeof TONES;
  isSmall: boolean;
}>(({ tone, isSmall }) => ({
  ...TONES[tone],
  padding: '6px 10px',
  borderRadius: 4,
  fontSize: isSmall ? 12 : undefined,
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'center',
  gap: '6px 12px',
  '& > div:first-of-type': { flex: '1 1 200px', minWidth: 0 }, // the words, not the first of the buttons too
  '@media (forced-colors: active)': { border: '1px solid CanvasText' },
}));

interface Props {
  tone?: keyof typeof TONES;
  children: React.ReactNode;
  isSmall?: boolean;
  /** Read out when it appears: `alert` at once, `status` when there is time. */
  role?: 'alert' | 'status' | 'note';
  /** What can be done about it. */
  actions?: React.ReactNode;
}

/** A few words that must not be missed: good to know, a caution, or out of limits. */
export function Note({ tone = 'info', children, isSmall = false, role, actions }: Props) {
  return (
    <Box tone={tone} isSmall={isSmall} role={role}>
      <div>{children}</div>
      {actions}
    </Box>
  );
}

interface RefusalProps {
  /** What happened and what would be right; empty where nothing was refused. */
  words: string;
  /** Tries the same again. */
  onRetry?: (() => void) | undefined;
  isRetrying?: boolean;
  onSeen?: () => void;
}

/** Why something was not done, where the hand was. What was typed stays; the same can be tried again by one press. */
export function Refusal({ words, onRetry, isRetrying = false, onSeen }: RefusalProps) {
  if (words === '') return null;
  return (
    <Note
      tone="alarm"
      role="alert"
      actions={
        <>
          {onRetry && (
            <Button size="small" isBusy={isRetrying} onClick={onRetry}>
              {t('Try again')}
            </Button>
          )}
          {onSeen && (
            <Button size="small" onClick={onSeen}>
              {t('Understood')}
            </Button>
          )}
        </>
      }
    >
      {words}
    </Note>
  );
}
