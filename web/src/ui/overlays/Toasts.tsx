import MuiButton from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { createContext, useCallback, useContext, useMemo, useState } from 'react';

export interface Toast {
  words: string;
  /** Takes back what was done. */
  undo?: (() => void) | null;
}

const SHOWN_MS = 12_000;
const Telling = createContext<(toast: Toast) => void>(() => undefined);

/** Tells what was done, over whatever place is shown, with the way back where there is one. Refusals are told where the hand was, not here. */
export const useToast = (): ((toast: Toast) => void) => useContext(Telling);

/** Where toasts are shown, the newest in place of the one before. */
export function Toasts({ children }: { children: React.ReactNode }) {
  const [shown, setShown] = useState<(Toast & { at: number }) | null>(null);
  const [isOpen, setOpen] = useState(false);
  const tell = useCallback((toast: Toast) => {
    setShown({ ...toast, at: performance.now() });
    setOpen(true);
  }, []);
  const bar = useMemo(
    () => (
      <Snackbar
        key={shown?.at ?? 0}
        open={isOpen}
        autoHideDuration={SHOWN_MS}
        onClose={(_event, reason) => reason !== 'clickaway' && setOpen(false)}
        message={shown?.words}
        action={
          <>
            {shown?.undo && (
              <MuiButton
                size="small"
                variant="text"
                sx={{ color: '#9FE0E4' }}
                onClick={() => {
                  setOpen(false);
                  shown.undo?.();
                }}
              >
                Undo
              </MuiButton>
            )}
            <MuiButton size="small" variant="text" sx={{ color: '#FFFFFF' }} onClick={() => setOpen(false)}>
              Close
            </MuiButton>
          </>
        }
      />
    ),
    [shown, isOpen],
  );
  return (
    <Telling.Provider value={tell}>
      {children}
      {bar}
    </Telling.Provider>
  );
}
