import MuiTextField from '@mui/material/TextField';

interface Props {
  label: string;
  placeholder: string;
  value: string;
  onChange: (text: string) => void;
  width?: number;
}

/** Narrows a list down while it is typed in; Escape empties it. */
export const SearchField = ({ label, placeholder, value, onChange, width = 240 }: Props) => (
  <MuiTextField
    type="search"
    value={value}
    placeholder={placeholder}
    sx={{ width, maxWidth: '100%' }}
    onChange={(event) => onChange(event.target.value)}
    onKeyDown={(event) => {
      if (event.key !== 'Escape' || value === '') return;
      event.stopPropagation();
      onChange('');
    }}
    slotProps={{ htmlInput: { 'aria-label': label } }}
  />
);
