import MuiIconButton from '@mui/material/IconButton';
import { Tip } from '../overlays/Tip.tsx';

interface Props {
  /** What it does: it has no other words. */
  label: string;
  children: React.ReactNode;
  onClick: () => void;
  disabled?: boolean;
  isPressed?: boolean;
}

/** A small button that is a drawing; its words are in a tip, by pointer and by focus. */
export function IconButton({ label, children, onClick, disabled = false, isPressed }: Props) {
  return (
    <Tip says={label} isName>
      <MuiIconButton
        size="small"
        aria-label={label}
        aria-pressed={isPressed}
        disabled={disabled}
        onClick={onClick}
      >
        {children}
      </MuiIconButton>
    </Tip>
  );
}
