import { styled } from '../../../ui/index.ts';

interface PictureProps {
  name: string;
  /** What is seen, in a few words. */
  says: string;
  /** What it should look like. */
  isWanted: boolean;
  field: { width: number; height: number };
  children: React.ReactNode;
}

/** A drawing with its name: what is wanted is told by a mark, a frame and its name. */
export function Picture({ name, says, isWanted, field, children }: PictureProps) {
  return (
    <Figure className={isWanted ? 'is-wanted' : ''}>
      <svg
        viewBox={`0 0 ${field.width} ${field.height}`}
        aria-hidden="true"
        preserveAspectRatio="xMidYMid slice"
      >
        {children}
      </svg>
      <figcaption>
        <strong>
          {isWanted && <span aria-hidden="true">● </span>}
          {name}
        </strong>
        <span className="muted">{says}</span>
      </figcaption>
    </Figure>
  );
}

/** Drawings side by side. */
export const Pictures = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <Line role="group" aria-label={label}>
    {children}
  </Line>
);

const Line = styled('div')({ display: 'flex', flexWrap: 'wrap', alignItems: 'flex-start', gap: 8 });
const Figure = styled('figure')({
  margin: 0,
  flex: '1 1 84px',
  maxWidth: 180,
  border: '1px solid var(--hairline)',
  borderRadius: 4,
  overflow: 'hidden',
  background: 'var(--surface)',
  '& svg': { display: 'block', width: '100%', height: 58 },
  '& figcaption': {
    display: 'flex',
    flexDirection: 'column',
    padding: '4px 6px 6px',
    fontSize: 13,
    lineHeight: 1.25,
  },
  '&.is-wanted': { borderColor: 'var(--brine)', boxShadow: 'inset 0 0 0 1px var(--brine)' },
});
