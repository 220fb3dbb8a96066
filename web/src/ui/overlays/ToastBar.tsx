import { t } from '../../words/index.ts';
import MuiButton from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';

export interface Toast {
  words: string;
  /** Takes back what was done. */
  undo?: (() => void) | null;
}

const SHOWN_MS = 12_000;

/** The bar itself; see Toasts. */
export const ToastBar = ({ toast, onClose }: { toast: Toast; onClose: () => void }) => (
  <Snackbar
    open
    autoHideDuration={SHOWN_MS}
    onClose={(_event, reason) => reason !== 'clickaway' && onClose()}
    message={toast.words}
    action={
      <>
        {toast.undo && (
          <MuiButton
            size="small"
            variant="text"
            sx={{ color: '#9FE0E4' }}
            onClick={() => {
              onClose();
              toast.undo?.();
            }}
          >
            {t('Undo')}
          </MuiButton>
        )}
        <MuiButton size="small" variant="text" sx={{ color: '#FFFFFF' }} onClick={onClose}>
          {t('Close')}
        </MuiButton>
      </>
    }
  />
);
