import { styled } from '@mui/material/styles';
import { ownProps } from '../theme/ownProps.ts';
import { useLayoutEffect, useRef, useState } from 'react';

const FOOT_PX = 16;
const LEAST_PX = 360;

interface FrameProps {
  columns: string;
  heightPx: number;
  below: number;
}

const Frame = styled(
  'div',
  ownProps('columns', 'heightPx', 'below'),
)<FrameProps>(({ columns, heightPx, below }) => ({
  display: 'grid',
  gridTemplateColumns: columns,
  gridTemplateRows: 'minmax(0, 1fr)',
  gap: 16,
  height: heightPx,
  '& > *': { minHeight: 0, minWidth: 0 },
  [`@media (max-width: ${below}px)`]: {
    gridTemplateColumns: 'minmax(0, 1fr)',
    gridTemplateRows: 'none',
    gridAutoRows: 'auto',
    height: 'auto',
  },
}));

interface Props {
  /** Of the columns, as a style sheet says them. */
  columns: string;
  /** Narrower than this, px, the parts stand one below the other. */
  below?: number;
  /** Kept free under it, px, for what follows. */
  footPx?: number;
  children: React.ReactNode;
}

/** Parts side by side down to the foot of the window, each scrolling by itself: the page does not move. */
export function FillSplit({ columns, below = 1000, footPx = FOOT_PX, children }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const [heightPx, setHeightPx] = useState(LEAST_PX);
  useLayoutEffect(() => {
    const fit = (): void => {
      const top = (frame.current?.getBoundingClientRect().top ?? 0) + window.scrollY;
      setHeightPx(Math.max(LEAST_PX, window.innerHeight - top - footPx));
    };
    fit();
    const watcher = new ResizeObserver(fit); // what stands above may grow: a notice, a second line
    watcher.observe(document.body);
    window.addEventListener('resize', fit);
    return () => {
      watcher.disconnect();
      window.removeEventListener('resize', fit);
    };
  }, [footPx]);
  return (
    <Frame ref={frame} columns={columns} heightPx={heightPx} below={below}>
      {children}
    </Frame>
  );
}

/** A part of a split that scrolls by itself, reachable by keyboard. */
export const Scroll = styled('div')({ overflow: 'auto', minHeight: 0 });
