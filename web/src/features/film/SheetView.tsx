import { MARK_LETTERS, turnedBox } from '@saltflat/core/film';
import type { FilmItem, FilmProblem, MaskRows, Placement, SheetMarks } from '@saltflat/core/film';
import { memo, useRef, useState } from 'react';
import { t } from '../../words/index.ts';
import { pieceClass } from './pieceClass.ts';
import type { Piece } from './pieces.ts';
import './film.css';

interface Props {
  problem: FilmProblem;
  sheet: number;
  /** Film along the feed that is drawn, and where it is cut, mm. */
  heightMm: number;
  cutMm: number | null;
  pieces: readonly Piece[];
  /** What is printed beside them; nothing where that is not looked at. */
  marks?: SheetMarks | null;
  selected: string | null;
  /** A piece was pressed, or Enter on it; nothing beside any piece. */
  onSelect: (key: string | null) => void;
  /** The focus came to a piece. */
  onFocus: (key: string) => void;
  /** Nothing can be moved while a layout is being looked for. */
  onMove: ((own: Placement) => void) | null;
}

interface Drag {
  key: string;
  fromX: number;
  fromY: number;
  x: number;
  y: number;
}

const STEPS: Partial<Record<string, { x: number; y: number }>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

/** One sheet to scale: what lies on it, what stays empty, where it is cut. Pieces are dragged, or moved by the arrows. */
export function SheetView(props: Props) {
  const {
    problem,
    sheet,
    heightMm,
    cutMm,
    pieces,
    marks = null,
    selected,
    onSelect,
    onFocus,
    onMove,
  } = props;
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<Drag | null>(null);
  const { film, keepOut } = problem;
  const at = (event: React.PointerEvent): { x: number; y: number } => {
    const inverse = svg.current?.getScreenCTM()?.inverse();
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(inverse);
    return { x: point.x, y: point.y };
  };
  const take = (event: React.PointerEvent, { own }: Piece): void => {
    onSelect(own.key);
    if (onMove === null || event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const { x, y } = at(event);
    setDrag({ key: own.key, fromX: x, fromY: y, x, y });
  };
  const drop = ({ own, isLocked }: Piece): void => {
    if (drag === null || onMove === null) return;
    const [byX, byY] = [Math.round(drag.x - drag.fromX), Math.round(drag.y - drag.fromY)];
    setDrag(null);
    if (!isLocked && (byX !== 0 || byY !== 0)) onMove({ ...own, xMm: own.xMm + byX, yMm: own.yMm + byY });
  };
  const nudge = (event: React.KeyboardEvent, { own, isLocked }: Piece): void => {
    if (event.key === 'Enter') onSelect(own.key);
    const step = STEPS[event.key];
    if (step === undefined || onMove === null || isLocked) return;
    event.preventDefault(); // the page stays where it is
    const by = event.shiftKey ? 10 : 1;
    onMove({ ...own, xMm: own.xMm + by * step.x, yMm: own.yMm + by * step.y });
  };
  return (
    <svg
      ref={svg}
      className="film-sheet"
      viewBox={`-2 -2 ${film.widthMm + 4} ${heightMm + 4}`}
      role="group"
      aria-label={t('Sheet {n}, {count} pieces', { n: sheet + 1, count: pieces.length })}
      onPointerDown={(event) => event.target === svg.current && onSelect(null)}
    >
      <rect className="film-ground" width={film.widthMm} height={heightMm} />
      <rect
        className="film-edge"
        x={keepOut.leftMm}
        y={keepOut.topMm}
        width={film.widthMm - keepOut.leftMm - keepOut.rightMm}
        height={(cutMm ?? heightMm) - keepOut.topMm - keepOut.bottomMm}
      />
      {cutMm !== null && cutMm < heightMm && (
        <>
          <rect className="film-left" y={cutMm} width={film.widthMm} height={heightMm - cutMm} />
          <line className="film-cut" x2={film.widthMm} y1={cutMm} y2={cutMm} />
        </>
      )}
      {pieces.map((piece) => {
        const { own } = piece;
        const by =
          drag?.key === own.key && !piece.isLocked
            ? { x: drag.x - drag.fromX, y: drag.y - drag.fromY }
            : null;
        return (
          <g
            key={own.key}
            className={pieceClass(piece, own.key === selected)}
            transform={`translate(${own.xMm + Math.round(by?.x ?? 0)} ${own.yMm + Math.round(by?.y ?? 0)})`}
            onPointerDown={(event) => take(event, piece)}
            onPointerMove={(event) => drag?.key === own.key && setDrag({ ...drag, ...at(event) })}
            onPointerUp={() => drop(piece)}
            onPointerCancel={() => setDrag(null)}
            onFocus={() => onFocus(own.key)}
            onKeyDown={(event) => nudge(event, piece)}
            tabIndex={onMove === null ? -1 : 0}
            role="button"
            aria-pressed={own.key === selected}
            aria-label={piece.words}
          >
            <PieceArt piece={piece} item={piece.item} turn={own.turn} />
          </g>
        );
      })}
      {marks && <Marks marks={marks} />}
    </svg>
  );
}

/** Marks where they are printed, in letters of the page. */
const Marks = memo(function Marks({ marks: { texts, lines } }: { marks: SheetMarks }) {
  return (
    <g className="film-marks" aria-hidden="true">
      {lines.map((line, i) => (
        <polyline key={i} points={line.map((point) => point.join(',')).join(' ')} />
      ))}
      {texts.map(({ key, text, rect, isTurned }) => {
        const high = isTurned ? rect.right - rect.x : rect.bottom - rect.y;
        const stands = MARK_LETTERS.standAt * high;
        return (
          <text
            key={key ?? 'sheet'}
            transform={
              isTurned
                ? `translate(${rect.right - stands} ${rect.y}) rotate(90)`
                : `translate(${rect.x} ${rect.y + stands})`
            }
            fontSize={MARK_LETTERS.size * high}
          >
            {text}
          </text>
        );
      })}
    </g>
  );
});

/** What a piece looks like: the art on its garment's colour, whose it is, and whether it stays where it is. */
const PieceArt = memo(function PieceArt({
  piece,
  item,
  turn,
}: {
  piece: Piece;
  item: FilmItem;
  turn: Placement['turn'];
}) {
  const { widthMm, heightMm } = turnedBox(item, turn);
  const middle = `translate(${widthMm / 2} ${heightMm / 2}) rotate(${turn})`;
  const turned = `${middle} translate(${-item.widthMm / 2} ${-item.heightMm / 2})`;
  const letters = Math.min(7, heightMm / 3, widthMm / 5);
  return (
    <>
      {item.mask ? (
        <path className="film-shape" d={pathOf(item.mask)} transform={turned} fill={piece.colourHex} />
      ) : (
        <rect width={widthMm} height={heightMm} fill={piece.colourHex} />
      )}
      {piece.art.url !== null && (
        <image
          href={piece.art.url}
          transform={middle}
          x={-piece.art.widthMm / 2}
          y={-piece.art.heightMm / 2}
          width={piece.art.widthMm}
          height={piece.art.heightMm}
          preserveAspectRatio="none"
        />
      )}
      <rect
        className={item.mask ? 'film-outline is-ghost' : 'film-outline'}
        width={widthMm}
        height={heightMm}
      />
      <text className="film-code" x={1.5} y={heightMm - 1.5} fontSize={letters}>
        {piece.isLocked ? `■ ${piece.code}` : piece.code}
      </text>
    </>
  );
});

const paths = new WeakMap<MaskRows, string>();

/** An outline as a path, row by row; rows of one outline are read once. */
function pathOf(mask: MaskRows): string {
  const known = paths.get(mask);
  if (known !== undefined) return known;
  const path = mask
    .flatMap((runs, y) =>
      runs.flatMap((from, k) =>
        k % 2 === 0 ? [`M${from} ${y}h${runs[k + 1] ?? 0}v1h${-(runs[k + 1] ?? 0)}z`] : [],
      ),
    )
    .join('');
  paths.set(mask, path);
  return path;
}
