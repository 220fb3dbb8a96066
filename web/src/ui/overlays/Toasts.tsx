import { Suspense, createContext, lazy, useCallback, useContext, useState } from 'react';
import type { Toast } from './ToastBar.tsx';

/** The bar comes with the first thing that is told. */
const ToastBar = lazy(async () => ({ default: (await import('./ToastBar.tsx')).ToastBar }));

const Telling = createContext<(toast: Toast) => void>(() => undefined);

/** Tells what was done, over whatever place is shown, with the way back where there is one. Refusals are told where the hand was, not here. */
export const useToast = (): ((toast: Toast) => void) => useContext(Telling);

/** Where toasts are shown, the newest in place of the one before. */
export function Toasts({ children }: { children: React.ReactNode }) {
  const [shown, setShown] = useState<{ toast: Toast; count: number } | null>(null);
  const tell = useCallback(
    (toast: Toast) => setShown((before) => ({ toast, count: (before?.count ?? 0) + 1 })),
    [],
  );
  return (
    <Telling.Provider value={tell}>
      {children}
      {shown && (
        <Suspense fallback={null}>
          <ToastBar key={shown.count} toast={shown.toast} onClose={() => setShown(null)} />
        </Suspense>
      )}
    </Telling.Provider>
  );
}
