import type { OrderLine } from '@saltflat/contract';
import { PLACEMENTS } from '@saltflat/contract/placements';
import { Link } from 'react-router';

/** The artworks of one order, those on the same garment first: front, back, sleeve. */
export function Filmstrip({ lines, current }: { lines: readonly OrderLine[]; current: OrderLine }) {
  const isSame = (line: OrderLine): boolean =>
    line.styleId === current.styleId && line.colour.id === current.colour.id;
  const shown = [...lines.filter(isSame), ...lines.filter((line) => !isSame(line))];
  if (shown.length < 2) return null;
  return (
    <nav className="filmstrip" aria-label="Artworks of this order">
      {shown.map((line) => (
        <Link
          key={line.id}
          to={`/artwork/${line.id}`}
          aria-current={line.id === current.id ? 'page' : undefined}
        >
          <span className="film-thumb" style={{ background: line.colour.hex }}>
            {line.artwork && <img src={`/api/v1/artworks/${line.artwork.id}/thumbnail`} alt="" />}
          </span>
          <span>
            <span className="code">{line.code}</span> {PLACEMENTS[line.placement].label}
            <span className="muted small" style={{ display: 'block' }}>
              {isSame(line) ? 'same garment' : `${line.colour.name} ${line.styleName}`}
            </span>
          </span>
        </Link>
      ))}
    </nav>
  );
}
