import { styled } from '@mui/material/styles';
import { ownProps } from '../theme/ownProps.ts';

const Frame = styled(
  'form',
  ownProps('isRow', 'gap', 'pad'),
)<{ isRow: boolean; gap: number; pad: number | string | undefined }>(({ isRow, gap, pad }) => ({
  display: 'flex',
  flexDirection: isRow ? 'row' : 'column',
  flexWrap: isRow ? 'wrap' : 'nowrap',
  alignItems: isRow ? 'flex-start' : 'stretch',
  gap,
  ...(pad === undefined ? {} : { padding: pad }),
}));

interface Props {
  /** What is filled in, where the fields do not say it. */
  label?: string;
  onSubmit: () => void;
  children: React.ReactNode;
  isRow?: boolean;
  gap?: number;
  pad?: number | string;
}

/** Fields that are sent together, by Enter too. What is wrong is told by us, in words, not by the browser. */
export const Form = ({ label, onSubmit, children, isRow = false, gap = 12, pad }: Props) => (
  <Frame
    noValidate
    aria-label={label}
    {...{ isRow, gap, pad }}
    onSubmit={(event) => {
      event.preventDefault();
      onSubmit();
    }}
  >
    {children}
  </Frame>
);
