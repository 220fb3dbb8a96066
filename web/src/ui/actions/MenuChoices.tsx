import Checkbox from '@mui/material/Checkbox';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';

export interface MenuChoice {
  key: string;
  label: React.ReactNode;
  /** Of one that is on or off; the menu stays open then. */
  isChecked?: boolean;
  disabled?: boolean;
  onChoose: () => void;
}

interface Props {
  place: HTMLElement | null;
  choices: readonly MenuChoice[];
  onClose: () => void;
}

/** What a menu button opens. */
export const MenuChoices = ({ place, choices, onClose }: Props) => (
  <Menu open anchorEl={place} onClose={onClose}>
    {choices.map(({ key, label, isChecked, disabled, onChoose }) => (
      <MenuItem
        key={key}
        disabled={disabled ?? false}
        role={isChecked === undefined ? 'menuitem' : 'menuitemcheckbox'}
        aria-checked={isChecked}
        onClick={() => {
          if (isChecked === undefined) onClose();
          onChoose();
        }}
      >
        {isChecked !== undefined && (
          <Checkbox checked={isChecked} tabIndex={-1} disableRipple aria-hidden sx={{ p: 0, mr: 1 }} />
        )}
        {label}
      </MenuItem>
    ))}
  </Menu>
);
