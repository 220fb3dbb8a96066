import { styled } from '@mui/material/styles';
import { TOKENS } from '../theme/tokens.ts';

const NARROW = '@media (max-width: 980px)';
/** All places stand side by side, in longer words too. */
const ROOMY = '@media (min-width: 1600px)';

/** Jumps over the bar: the first thing the Tab key meets. */
export const SkipLink = styled('a')({
  position: 'absolute',
  left: -999,
  top: 4,
  background: TOKENS.surface,
  padding: '8px 12px',
  zIndex: 20,
  '&:focus': { left: 8 },
});

/** The bar with the places, what runs, the units and who works here. */
export const TopBar = styled('header')({
  minHeight: 56,
  display: 'flex',
  alignItems: 'stretch',
  gap: 12,
  padding: '0 24px',
  background: TOKENS.surface,
  borderBottom: `1px solid ${TOKENS.hairline}`,
  '& > *': { alignSelf: 'center' },
  '& > nav': { alignSelf: 'stretch', display: 'flex', gap: 1 },
  '& nav a': {
    display: 'inline-flex',
    alignItems: 'center',
    padding: '0 6px',
    fontStretch: '88%',
    [ROOMY]: { padding: '0 12px', fontStretch: '100%' },
    color: TOKENS.ink,
    textDecoration: 'none',
    borderBlock: '2px solid transparent',
    '&:hover': { background: TOKENS.ground },
    '&.active': { borderBottomColor: TOKENS.brine, color: TOKENS.brine, fontWeight: 620 },
    '@media (forced-colors: active)': {
      borderColor: 'Canvas', // a border that is transparent is drawn there
      '&.active': { borderBottomColor: 'Highlight' },
    },
  },
  [NARROW]: {
    flexWrap: 'wrap',
    padding: '6px 12px',
    gap: '6px 8px',
    '& kbd': { display: 'none' },
    '& > nav': {
      order: 5,
      width: '100%',
      height: 44,
      gap: 0,
      justifyContent: 'space-between',
      overflowX: 'auto',
    },
    '& nav a': { padding: '0 7px' },
  },
});

/** What there is no room for on a phone. */
export const WideOnly = styled('span')({ display: 'contents', [NARROW]: { display: 'none' } });

/** Words of the bar that lead somewhere. */
export const barLink = {
  color: TOKENS.muted,
  textDecoration: 'none',
  whiteSpace: 'nowrap',
  minHeight: 32,
  display: 'inline-flex',
  alignItems: 'center',
} as const;

/** Where a place is shown. */
export const Place = styled('main')({
  padding: '0 24px 16px',
  '@media (max-width: 700px)': { padding: '0 12px 16px' },
});

/** A word across the whole width, under the bar. */
export const Banner = styled('p')({
  background: TOKENS.rosePale,
  color: TOKENS.roseInk,
  padding: '8px 24px',
  borderBottom: `1px solid ${TOKENS.rose}`,
});
