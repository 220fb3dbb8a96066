import { TOKENS, ownProps, styled } from '../../ui/index.ts';

const NARROW = '@media (max-width: 620px)';
const WIDE = '@media (min-width: 1700px)';

/** The floor: what is next on the left, what runs and waits on the right; every button fits a gloved thumb. */
export const FloorFrame = styled('div')({
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) 340px',
  gap: 16,
  alignItems: 'start',
  '& .MuiButton-root:not(.MuiButton-sizeLarge)': { minHeight: 56, fontSize: 18, paddingInline: 22 },
  '& kbd': { fontSize: 13, marginLeft: 12 },
  '@media (max-width: 1000px)': { gridTemplateColumns: 'minmax(0, 1fr)' },
  [WIDE]: { gridTemplateColumns: 'minmax(0, 1fr) 460px' },
});

/** The one thing to do next; rose round it when its time is up. */
export const NextFrame = styled(
  'section',
  ownProps('isDue'),
)<{
  isDue: boolean;
}>(({ isDue }) => ({
  background: TOKENS.surface,
  border: `2px solid ${isDue ? TOKENS.rose : '#B9C7CB'}`,
  boxShadow: isDue ? `inset 0 0 0 2px ${TOKENS.rosePale}` : undefined,
  borderRadius: 4,
}));

export const NextHead = styled('div')({
  display: 'flex',
  gap: 16,
  flexWrap: 'wrap',
  alignItems: 'baseline',
  padding: '12px 20px 0',
  fontSize: 20,
  '& .code': { fontSize: 20, fontWeight: 600 },
  [NARROW]: { fontSize: 16, gap: '4px 12px' },
});

export const NextBody = styled('div')({
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) auto',
  gap: 24,
  padding: '8px 20px 16px',
  alignItems: 'start',
  [NARROW]: { gridTemplateColumns: 'minmax(0, 1fr)' },
});

export const NextTitle = styled('h2')({
  fontSize: 40,
  lineHeight: 1.1,
  fontWeight: 660,
  [NARROW]: { fontSize: 32 },
  [WIDE]: { fontSize: 56 },
});

/** Settings to be read from two metres; many of them are written smaller, so that what to do stays in sight. */
export const NextSettings = styled(
  'p',
  ownProps('isMany'),
)<{
  isMany: boolean;
}>(({ isMany }) => ({
  fontSize: isMany ? 19 : 28,
  fontWeight: 620,
  display: 'flex',
  flexWrap: 'wrap',
  gap: isMany ? '4px 20px' : '4px 24px',
  lineHeight: 1.25,
  '& .muted': { fontWeight: 400, fontSize: isMany ? 14 : 16 },
  [NARROW]: { fontSize: isMany ? 19 : 22 },
  [WIDE]: { fontSize: isMany ? 24 : 36 },
}));

export const Look = styled('div')({ fontSize: 18 });

export const TimerFrame = styled('div')({
  display: 'flex',
  flexDirection: 'column',
  alignItems: 'flex-end',
  gap: 4,
  fontSize: 18,
  minWidth: 150,
  textAlign: 'right',
  [NARROW]: { alignItems: 'flex-start', textAlign: 'left' },
});

/** A figure to be read across the room. */
export const BigFigure = styled(
  'span',
  ownProps('isOver'),
)<{
  isOver?: boolean;
}>(({ isOver = false }) => ({
  fontSize: 72,
  lineHeight: 1,
  fontWeight: 640,
  fontStretch: '88%',
  color: isOver ? TOKENS.rose : undefined,
  [WIDE]: { fontSize: 112 },
}));

export const NextActions = styled('div')({
  display: 'flex',
  gap: 12,
  flexWrap: 'wrap',
  padding: '0 20px 16px',
  '& .MuiButton-sizeLarge': { flex: '1 1 260px' },
  [NARROW]: { '& .MuiButton-root': { flex: 1 }, '& .MuiButton-sizeLarge': { flex: '1 1 100%' } },
});

export const NextTrace = styled('div')({
  borderTop: `1px solid ${TOKENS.hairlinePale}`,
  padding: '12px 8px 0',
});

export const WeighFrame = styled('div')({
  display: 'grid',
  gridTemplateColumns: 'auto 1fr auto',
  gap: 28,
  alignItems: 'center',
  padding: '12px 20px',
  margin: '0 20px 16px',
  border: `1px solid ${TOKENS.hairline}`,
  borderRadius: 4,
  background: TOKENS.ground,
  '& dl': { display: 'flex', flexDirection: 'column', gap: 6, fontSize: 18 },
  '& dt': { color: TOKENS.muted, fontSize: 14 },
  '& dd': { fontWeight: 600 },
  [NARROW]: { gridTemplateColumns: 'minmax(0, 1fr)', margin: '0 12px 12px' },
});
