import { styled } from '../../ui/index.ts';

/** What lies on film, and its sheets below. */
export const Middle = styled('div')({ display: 'flex', flexDirection: 'column', gap: 12, minHeight: 0 });
/** One sheet, as large as there is room. */
export const SheetFrame = styled('section')({
  flex: 1,
  minHeight: 280,
  background: 'var(--strip)',
  border: '1px solid var(--hairline)',
  borderRadius: 4,
  padding: 8,
});
