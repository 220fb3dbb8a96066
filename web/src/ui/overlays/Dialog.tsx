import MuiDialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MuiDrawer from '@mui/material/Drawer';
import { useId } from 'react';

interface Props {
  title: React.ReactNode;
  children: React.ReactNode;
  /** Buttons at the foot; the one that does it last. */
  actions?: React.ReactNode;
  onClose: () => void;
  width?: 'sm' | 'md' | 'lg';
  /** It is one form: Enter does it. */
  onSubmit?: () => void;
}

/** Something to be settled before going on. Escape leaves it; what was typed in the page behind stays. */
export function Dialog({ title, children, actions, onClose, width = 'sm', onSubmit }: Props) {
  const id = useId();
  const inside = (
    <>
      <DialogTitle id={id}>{title}</DialogTitle>
      <DialogContent sx={{ display: 'flex', flexDirection: 'column', gap: 1.5 }}>{children}</DialogContent>
      {actions !== undefined && <DialogActions>{actions}</DialogActions>}
    </>
  );
  return (
    <MuiDialog open onClose={onClose} fullWidth maxWidth={width} aria-labelledby={id}>
      {onSubmit ? (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            onSubmit();
          }}
        >
          {inside}
        </form>
      ) : (
        inside
      )}
    </MuiDialog>
  );
}

/** Something larger beside the page, which stays in sight. */
export function Drawer({ title, children, onClose }: Pick<Props, 'title' | 'children' | 'onClose'>) {
  const id = useId();
  return (
    <MuiDrawer
      open
      anchor="right"
      onClose={onClose}
      slotProps={{ paper: { role: 'dialog', 'aria-labelledby': id, sx: { width: 'min(720px, 100vw)' } } }}
    >
      <DialogTitle id={id}>{title}</DialogTitle>
      <DialogContent>{children}</DialogContent>
    </MuiDrawer>
  );
}
