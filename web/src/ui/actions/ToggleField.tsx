import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useId } from 'react';

interface Props<T extends string> {
  label: string;
  options: readonly { value: T; label: React.ReactNode; title?: string }[];
  value: T;
  onChange: (value: T) => void;
  size?: 'small' | 'medium' | 'large';
  isWide?: boolean;
  /** The name is said but not shown. */
  isNameHidden?: boolean;
}

/** One of a few, all in sight. */
export function ToggleField<T extends string>(props: Props<T>) {
  const { label, options, value, onChange, size = 'small', isWide = false, isNameHidden = false } = props;
  const id = useId();
  return (
    <div style={{ display: 'grid', gap: 6 }}>
      <span id={id} className={isNameHidden ? 'visually-hidden' : 'muted small'}>
        {label}
      </span>
      <ToggleButtonGroup
        exclusive
        size={size}
        fullWidth={isWide}
        value={value}
        aria-labelledby={id}
        onChange={(_event, next: T | null) => next !== null && onChange(next)}
      >
        {options.map((option) => (
          <ToggleButton
            key={option.value}
            value={option.value}
            title={option.title ?? ''}
            sx={isWide ? { whiteSpace: 'normal', minWidth: 0, overflowWrap: 'anywhere' } : {}}
          >
            {option.label}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </div>
  );
}
