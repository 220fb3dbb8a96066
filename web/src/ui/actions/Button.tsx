import MuiButton from '@mui/material/Button';
import CircularProgress from '@mui/material/CircularProgress';
import { Link } from 'react-router';

const LOOKS = { primary: 'contained', second: 'outlined', quiet: 'text' } as const;

interface Props {
  children: React.ReactNode;
  /** One primary a view; `quiet` beside what it belongs to. */
  look?: keyof typeof LOOKS;
  /** `huge` for the one thing to do on the floor. */
  size?: 'small' | 'medium' | 'large' | 'huge';
  type?: 'button' | 'submit';
  onClick?: (() => void) | undefined;
  /** A place of the application. */
  to?: string;
  /** A file to be taken along. */
  download?: string;
  disabled?: boolean;
  /** What was pressed is under way: it is not sent twice, and it says so. */
  isBusy?: boolean;
  /** Whether it is on, of one that stays pressed. */
  isPressed?: boolean | undefined;
  isExpanded?: boolean;
  /** The key that does the same. */
  hint?: string;
  icon?: React.ReactNode;
  label?: string | undefined;
  title?: string;
  isWide?: boolean;
}

const HUGE = { minHeight: 72, fontSize: 28, minWidth: 220 } as const;

/** Something that can be done. With `to` or `download` it is a link that looks like it. */
export function Button({ children, look = 'second', size = 'medium', isBusy = false, hint, ...own }: Props) {
  return (
    <MuiButton
      variant={LOOKS[look]}
      size={size === 'huge' ? 'large' : size}
      sx={size === 'huge' ? HUGE : {}}
      type={own.type ?? 'button'}
      disabled={own.disabled === true || isBusy}
      aria-busy={isBusy || undefined}
      aria-pressed={own.isPressed}
      aria-expanded={own.isExpanded}
      aria-label={own.label}
      title={own.title}
      fullWidth={own.isWide ?? false}
      startIcon={isBusy ? <CircularProgress size={14} color="inherit" aria-hidden /> : own.icon}
      onClick={own.onClick && (() => own.onClick?.())}
      {...(own.to === undefined ? {} : { component: Link, to: own.to })}
      {...(own.download === undefined ? {} : { component: 'a', href: own.download, download: true })}
    >
      {children}
      {hint !== undefined && <kbd>{hint}</kbd>}
    </MuiButton>
  );
}
