import ButtonBase from '@mui/material/ButtonBase';
import { styled } from '@mui/material/styles';
import { ownProps } from '../theme/ownProps.ts';
import { TOKENS } from '../theme/tokens.ts';

/** The list and its foot, down to where there is room. */
export const Frame = styled('div')({
  display: 'flex',
  flexDirection: 'column',
  minHeight: 0,
  height: '100%',
});

/** Never taller than the window, wherever it stands: only what is in sight is drawn. */
export const Trunk = styled('div')({
  overflow: 'auto',
  flex: 1,
  minHeight: 180,
  maxHeight: 'calc(100dvh - 96px)',
  '&:focus': { outline: 'none' },
});

export const Table = styled('table')({ borderCollapse: 'collapse', width: '100%', fontStretch: '92%' });

export const Head = styled('thead')({ position: 'sticky', top: 0, zIndex: 1, background: TOKENS.surface });

/** Over two lines where the title is long. */
export const HeadCell = styled(
  'th',
  ownProps('isNumber', 'isLong'),
)<{ isNumber: boolean; isLong: boolean }>(({ isNumber, isLong }) => ({
  textAlign: isNumber ? 'right' : 'left',
  fontWeight: 560,
  fontSize: 12,
  color: TOKENS.muted,
  padding: '6px 10px',
  whiteSpace: isLong ? 'normal' : 'nowrap',
  '&:first-of-type': { paddingLeft: 16 },
  '&:last-of-type': { paddingRight: 16 },
  boxShadow: `inset 0 -1px 0 ${TOKENS.hairline}`, // a border of a sticky head stays behind as it scrolls
}));

export const SortButton = styled(ButtonBase)({
  font: 'inherit',
  textAlign: 'inherit',
  color: 'inherit',
  minHeight: 28,
  gap: 4,
  borderRadius: 4,
});

export const Body = styled(
  'tbody',
  ownProps('isPressable'),
)<{ isPressable: boolean }>(({ isPressable }) => ({
  '& tr[data-index]': { cursor: isPressable ? 'pointer' : undefined },
  '& tr[data-index]:hover': { background: TOKENS.hover },
  '& tr[aria-selected="true"]': { background: TOKENS.brinePale },
  '& tr:focus-visible': { outline: `1px solid ${TOKENS.brine}`, outlineOffset: -2 },
  '@media (forced-colors: active)': {
    '& tr[aria-selected="true"]': { outline: '2px solid Highlight', outlineOffset: -2 },
  },
}));

export const Cell = styled(
  'td',
  ownProps('isNumber', 'isNoWrap'),
)<{ isNumber: boolean; isNoWrap: boolean }>(({ isNumber, isNoWrap }) => ({
  padding: '7px 10px',
  '&:first-of-type': { paddingLeft: 16 },
  '&:last-of-type': { paddingRight: 16 },
  borderBottom: `1px solid ${TOKENS.hairlinePale}`,
  textAlign: isNumber ? 'right' : 'left',
  whiteSpace: isNumber || isNoWrap ? 'nowrap' : undefined,
}));

export const Foot = styled('div')({
  display: 'flex',
  alignItems: 'center',
  gap: 4,
  padding: '2px 8px 2px 16px',
  borderTop: `1px solid ${TOKENS.hairline}`,
  minHeight: 40,
});
