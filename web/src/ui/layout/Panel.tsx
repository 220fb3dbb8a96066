import { styled } from '@mui/material/styles';
import { ownProps } from '../theme/ownProps.ts';
import { forwardRef } from 'react';
import { TOKENS } from '../theme/tokens.ts';
import { Grow } from './boxes.tsx';

const Frame = styled('section')({
  background: TOKENS.surface,
  border: `1px solid ${TOKENS.hairline}`,
  borderRadius: 4,
  minWidth: 0,
  '&:focus': { outline: 'none' },
});

const Head = styled('header')({
  padding: '10px 16px',
  borderBottom: `1px solid ${TOKENS.hairline}`,
  display: 'flex',
  gap: 12,
  alignItems: 'center',
  flexWrap: 'wrap',
});

const Body = styled(
  'div',
  ownProps('pad'),
)<{ pad: number | string }>(({ pad }) => ({
  padding: pad,
}));

interface Props extends Omit<React.HTMLAttributes<HTMLElement>, 'title'> {
  /** The heading; without one the panel has no head. */
  title?: React.ReactNode;
  /** What the region is called; the title, where that is text. */
  label?: string | undefined;
  /** Beside the title, small. */
  says?: React.ReactNode;
  /** At the end of the head. */
  actions?: React.ReactNode;
  /** Room round the content, px; none for tables and lists that go to the edge. */
  pad?: number | string;
  as?: 'section' | 'aside' | 'form' | 'div';
}

/** A surface with a hairline round it, a name, and what belongs together on it. */
export const Panel = forwardRef<HTMLElement, Props>(function Panel(
  { title, label, says, actions, pad, as = 'section', children, ...rest },
  ref,
) {
  return (
    <Frame ref={ref} as={as} aria-label={label ?? (typeof title === 'string' ? title : undefined)} {...rest}>
      {title !== undefined && (
        <Head>
          <h2>{title}</h2>
          {says !== undefined && <span className="muted small">{says}</span>}
          {actions !== undefined && (
            <>
              <Grow />
              {actions}
            </>
          )}
        </Head>
      )}
      {pad === undefined ? children : <Body pad={pad}>{children}</Body>}
    </Frame>
  );
});

/** Rows under each other on a panel, a hairline between them. */
export const Rows = styled('ul')({
  '& > li': { borderBottom: `1px solid ${TOKENS.hairlinePale}` },
  '& > li:last-child': { borderBottom: 0 },
});
