import { styled } from '@mui/material/styles';

/** The component library has no picker of colours: the system’s own knows them all. */
const Pick = styled('input')({
  width: 32,
  height: 28,
  padding: 0,
  border: '1px solid #8AA0A7',
  borderRadius: 4,
  background: 'none',
  flex: 'none',
  cursor: 'pointer',
});

interface Props {
  label: string;
  /** `#rrggbb`; grey is shown while it is not one yet. */
  hex: string;
  onChange: (hex: string) => void;
}

/** A colour by eye; its code is typed elsewhere. */
export const ColourField = ({ label, hex, onChange }: Props) => (
  <Pick
    type="color"
    aria-label={label}
    value={/^#[0-9a-f]{6}$/i.test(hex) ? hex : '#888888'}
    onChange={(event) => onChange(event.target.value)}
  />
);
