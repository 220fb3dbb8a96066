import Checkbox from '@mui/material/Checkbox';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useId, useState } from 'react';
import { Button } from './Button.tsx';

export interface MenuChoice {
  key: string;
  label: React.ReactNode;
  /** Of one that is on or off; it stays open then. */
  isChecked?: boolean;
  disabled?: boolean;
  onChoose: () => void;
}

interface Props {
  children: React.ReactNode;
  choices: readonly MenuChoice[];
  look?: 'primary' | 'second' | 'quiet';
  size?: 'small' | 'medium';
  label?: string;
}

/** A button with what else can be done behind it. */
export function MenuButton({ children, choices, look = 'second', size = 'small', label }: Props) {
  const [place, setPlace] = useState<HTMLElement | null>(null);
  const id = useId();
  return (
    <>
      <span onClickCapture={({ currentTarget }) => setPlace(currentTarget)}>
        <Button look={look} size={size} label={label} isExpanded={place !== null}>
          {children}
          <span aria-hidden="true" style={{ marginLeft: 6 }}>
            ▾
          </span>
        </Button>
      </span>
      <Menu id={id} open={place !== null} anchorEl={place} onClose={() => setPlace(null)}>
        {choices.map(({ key, label: words, isChecked, disabled, onChoose }) => (
          <MenuItem
            key={key}
            disabled={disabled ?? false}
            role={isChecked === undefined ? 'menuitem' : 'menuitemcheckbox'}
            aria-checked={isChecked}
            onClick={() => {
              if (isChecked === undefined) setPlace(null);
              onChoose();
            }}
          >
            {isChecked !== undefined && (
              <Checkbox checked={isChecked} tabIndex={-1} disableRipple aria-hidden sx={{ p: 0, mr: 1 }} />
            )}
            {words}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
