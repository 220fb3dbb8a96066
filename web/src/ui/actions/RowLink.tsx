import { styled } from '@mui/material/styles';
import { Link } from 'react-router';
import { TOKENS, focusRing } from '../theme/tokens.ts';

/** A whole row of a list that leads somewhere. */
export const RowLink = styled(Link)({
  display: 'flex',
  alignItems: 'center',
  gap: '4px 12px',
  flexWrap: 'wrap',
  minHeight: 44,
  padding: '8px 16px',
  color: 'inherit',
  textDecoration: 'none',
  '&:hover': { background: TOKENS.hover },
  '&[aria-current="page"]': { background: TOKENS.brinePale, fontWeight: 600 },
  '&:focus-visible': { ...focusRing, outlineOffset: -2 },
  '@media (forced-colors: active)': {
    '&[aria-current="page"]': { outline: '2px solid Highlight', outlineOffset: -2 },
  },
});
