import { styled } from '@mui/material/styles';
import { ownProps } from '../theme/ownProps.ts';

/** A colour as it is, beside its name. */
export const Swatch = styled(
  'span',
  ownProps('hex'),
)<{
  hex: string | undefined;
}>(({ hex }) => ({
  display: 'inline-block',
  flex: 'none',
  width: 14,
  height: 14,
  borderRadius: 3,
  border: '1px solid #9DB0B6',
  verticalAlign: -2,
  backgroundColor: hex ?? 'transparent',
  forcedColorAdjust: 'none',
}));
