import ButtonBase from '@mui/material/ButtonBase';
import { styled } from '@mui/material/styles';
import { forwardRef } from 'react';
import { TOKENS, focusRing } from '../theme/tokens.ts';

const Base = styled(ButtonBase)({
  font: 'inherit',
  textAlign: 'left',
  justifyContent: 'flex-start',
  minHeight: 44,
  gap: 10,
  '&:hover': { backgroundColor: TOKENS.hover },
  '&[aria-pressed="true"], &[aria-current="true"], &[aria-expanded="true"]': {
    backgroundColor: TOKENS.brinePale,
  },
  '@media (forced-colors: active)': {
    '&[aria-pressed="true"], &[aria-current="true"]': { outline: '2px solid Highlight', outlineOffset: -2 },
  },
});
const Line = styled(Base)({
  width: '100%',
  padding: '8px 16px',
  '&.Mui-focusVisible': { ...focusRing, outlineOffset: -2 },
});
const Tile = styled(Base)({
  border: `1px solid ${TOKENS.edge}`,
  borderRadius: 4,
  backgroundColor: TOKENS.surface,
  padding: '4px 10px',
  '&:hover, &[aria-pressed="true"], &[aria-expanded="true"]': {
    borderColor: TOKENS.brine,
    backgroundColor: TOKENS.brinePale,
  },
});
const Words = styled(Base)({
  minHeight: 28,
  gap: 4,
  color: TOKENS.brine,
  textDecoration: 'underline',
  textUnderlineOffset: 2,
  borderRadius: 4,
  '&:hover, &[aria-pressed="true"], &[aria-expanded="true"]': { backgroundColor: 'transparent' },
});

const LOOKS = { line: Line, tile: Tile, words: Words } as const;

interface Props extends Omit<React.ComponentProps<typeof ButtonBase>, 'ref' | 'onClick'> {
  /** A whole row of a list, a framed tile, or words in a text. */
  look?: keyof typeof LOOKS;
  isPressed?: boolean;
  isCurrent?: boolean;
  isExpanded?: boolean;
  label?: string;
  onClick: () => void;
}

/** Content that can be pressed: a row of a list, a tile, a few words. */
export const Pressable = forwardRef<HTMLButtonElement, Props>(function Pressable(
  { look = 'line', isPressed, isCurrent, isExpanded, label, onClick, ...rest },
  ref,
) {
  const Kind = LOOKS[look];
  return (
    <Kind
      ref={ref}
      aria-pressed={isPressed}
      aria-current={isCurrent === true ? 'true' : undefined}
      aria-expanded={isExpanded}
      aria-label={label}
      onClick={() => onClick()}
      {...rest}
    />
  );
});
