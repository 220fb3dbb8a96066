import { useLayoutEffect, useState } from 'react';

/** Until something is measured it is taken to be so wide, px. */
const AT_FIRST_PX = 900;

/** How wide an element is, kept up as that changes, px: for what is drawn to fit. */
export function useWidth(of: React.RefObject<Element | null>): number {
  const [width, setWidth] = useState(AT_FIRST_PX);
  useLayoutEffect(() => {
    const element = of.current;
    if (!element) return undefined;
    const observer = new ResizeObserver(([entry]) =>
      setWidth(Math.round(entry?.contentRect.width ?? AT_FIRST_PX)),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, [of]);
  return width;
}
