import type { LinePrint, OrderLine } from '@saltflat/contract';
import { PLACEMENTS } from '@saltflat/contract/placements';
import { Link } from 'react-router';

interface Frame {
  line: OrderLine;
  print: LinePrint;
}

/** The prints of one order, those on the same garment first: front, back, sleeve. */
export function Filmstrip({ lines, current }: { lines: readonly OrderLine[]; current: Frame }) {
  const own = lines.find(({ id }) => id === current.line.id) ?? current.line;
  const frames = [own, ...lines.filter((line) => line !== own)].flatMap((line): Frame[] =>
    line.prints.map((print) => ({ line, print })),
  );
  if (frames.length < 2) return null;
  return (
    <nav className="filmstrip" aria-label="Artworks of this order">
      {frames.map(({ line, print }) => (
        <Link
          key={`${line.id}/${print.id}`}
          to={`/artwork/${line.id}?print=${print.id}`}
          aria-current={line.id === current.line.id && print.id === current.print.id ? 'page' : undefined}
        >
          <span className="film-thumb" style={{ background: line.colour.hex }}>
            {print.artwork && <img src={`/api/v1/artworks/${print.artwork.id}/thumbnail`} alt="" />}
          </span>
          <span>
            <span className="code">{line.code}</span> {PLACEMENTS[print.placement].label}
            <span className="muted small" style={{ display: 'block' }}>
              {line === own ? 'same garment' : `${line.colour.name} ${line.styleName}`}
              {print.artwork === null && ', no artwork yet'}
            </span>
          </span>
        </Link>
      ))}
    </nav>
  );
}
