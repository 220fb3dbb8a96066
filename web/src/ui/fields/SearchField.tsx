import OutlinedInput from '@mui/material/OutlinedInput';

interface Props {
  label: string;
  placeholder: string;
  value: string;
  onChange: (text: string) => void;
  width?: number;
}

/** Narrows a list down while it is typed in; Escape empties it. */
export const SearchField = ({ label, placeholder, value, onChange, width = 268 }: Props) => (
  <OutlinedInput
    type="search"
    size="small"
    value={value}
    placeholder={placeholder}
    sx={{ width, maxWidth: '100%' }}
    onChange={(event) => onChange(event.target.value)}
    onKeyDown={(event) => {
      if (event.key !== 'Escape' || value === '') return;
      event.stopPropagation();
      onChange('');
    }}
    slotProps={{ input: { 'aria-label': label } }}
  />
);
