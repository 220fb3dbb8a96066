import { styled } from '@mui/material/styles';
import { ownProps } from '../theme/ownProps.ts';

interface Spacing {
  /** Between the children, px. */
  gap?: number;
}

/** Side by side, centred on one line, going on below where there is no room. */
export const Row = styled(
  'div',
  ownProps('gap', 'align', 'justify', 'isOneLine'),
)<Spacing & { align?: string; justify?: string; isOneLine?: boolean }>(
  ({ gap = 12, align = 'center', justify, isOneLine = false }) => ({
    display: 'flex',
    flexWrap: isOneLine ? 'nowrap' : 'wrap',
    alignItems: align,
    gap,
    ...(justify ? { justifyContent: justify } : {}),
  }),
);

/** One below the other. `pad` is the room around, px. */
export const Stack = styled(
  'div',
  ownProps('gap', 'pad'),
)<Spacing & { pad?: number | string }>(({ gap = 12, pad }) => ({
  display: 'flex',
  flexDirection: 'column',
  gap,
  ...(pad === undefined ? {} : { padding: pad }),
}));

/** Two lines of a row that is pressed. */
export const TwoLines = styled('span')({ display: 'flex', flexDirection: 'column' });

/** Takes what room is left in a row. */
export const Grow = styled('span')({ flex: 1 });

/** Columns of at least so many pixels, as many as there is room for. */
export const Columns = styled(
  'div',
  ownProps('least', 'gap'),
)<Spacing & { least: number }>(({ least, gap = 12 }) => ({
  display: 'grid',
  gridTemplateColumns: `repeat(auto-fill, minmax(min(${least}px, 100%), 1fr))`,
  gap,
}));

/** Columns as they are said, one below the other on a phone. */
export const Split = styled(
  'div',
  ownProps('columns', 'gap', 'pad', 'below'),
)<Spacing & { columns: string; pad?: number | string; below?: number }>(
  ({ columns, gap = 16, pad, below = 760 }) => ({
    display: 'grid',
    gridTemplateColumns: columns,
    gap,
    alignItems: 'start',
    ...(pad === undefined ? {} : { padding: pad }),
    [`@media (max-width: ${below}px)`]: { gridTemplateColumns: 'minmax(0, 1fr)' },
  }),
);

/** Fields that belong together, under one name. */
export const Group = styled('fieldset')({ border: 0, margin: 0, padding: 0, minWidth: 0 });
export const GroupName = styled('legend')(({ theme }) => ({
  padding: 0,
  marginBottom: 6,
  fontSize: 12,
  color: theme.palette.text.secondary,
}));

/** Scrolls sideways by itself where what is in it is wider than there is room for; reachable by keyboard. */
export const Sideways = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <div tabIndex={0} role="region" aria-label={label} style={{ overflowX: 'auto' }}>
    {children}
  </div>
);
