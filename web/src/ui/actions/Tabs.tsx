import Tab from '@mui/material/Tab';
import MuiTabs from '@mui/material/Tabs';
import { useId } from 'react';
import { TOKENS } from '../theme/tokens.ts';

interface Props<T extends string> {
  label: string;
  tabs: readonly { value: T; label: string }[];
  value: T;
  onChange: (value: T) => void;
  /** What the chosen one shows; it scrolls by itself. */
  children: React.ReactNode;
  isBusy?: boolean;
  /** What is shown is from before, and is being worked out anew. */
  isStale?: boolean;
}

/** One part at a time, the others one press away. */
export function Tabs<T extends string>({
  label,
  tabs,
  value,
  onChange,
  children,
  isBusy = false,
  isStale = false,
}: Props<T>) {
  const id = useId();
  return (
    <>
      <MuiTabs
        value={value}
        onChange={(_event, next: T) => onChange(next)}
        variant="fullWidth"
        aria-label={label}
      >
        {tabs.map((own) => (
          <Tab
            key={own.value}
            value={own.value}
            label={own.label}
            sx={{ minWidth: 0, px: { xs: 1, sm: 2 }, whiteSpace: 'normal', overflowWrap: 'anywhere' }}
            id={`${id}-tab-${own.value}`}
            aria-controls={`${id}-panel-${own.value}`}
          />
        ))}
      </MuiTabs>
      <div
        role="tabpanel"
        id={`${id}-panel-${value}`}
        aria-labelledby={`${id}-tab-${value}`}
        tabIndex={0}
        style={{ flex: 1, minHeight: 0, overflowY: 'auto', color: isStale ? TOKENS.muted : undefined }}
        aria-busy={isBusy}
      >
        {children}
      </div>
    </>
  );
}
