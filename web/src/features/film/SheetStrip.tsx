import type { FilmProblem } from '@saltflat/core/film';
import { turnedBox } from '@saltflat/core/film';
import { Pressable, styled } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import type { Piece } from './pieces.ts';

interface Props {
  problem: FilmProblem;
  heightMm: number;
  pieces: readonly Piece[];
  sheets: number;
  shown: number;
  onShow: (sheet: number) => void;
}

/** Sheets in the order they are printed, small; one is looked at. */
export function SheetStrip({ problem, heightMm, pieces, sheets, shown, onShow }: Props) {
  if (sheets < 2) return null;
  return (
    <Strip>
      {Array.from({ length: sheets }, (_, sheet) => {
        const own = pieces.filter((piece) => piece.own.sheet === sheet);
        return (
          <Pressable key={sheet} look="tile" isPressed={sheet === shown} onClick={() => onShow(sheet)}>
            <svg
              className="film-thumb"
              viewBox={`0 0 ${problem.film.widthMm} ${heightMm}`}
              aria-hidden="true"
            >
              <rect className="film-ground" width={problem.film.widthMm} height={heightMm} />
              {own.map(({ own: { key, xMm, yMm, turn }, item, colourHex }) => {
                const { widthMm, heightMm: high } = turnedBox(item, turn);
                return <rect key={key} x={xMm} y={yMm} width={widthMm} height={high} fill={colourHex} />;
              })}
            </svg>
            <span className="small">{t('Sheet {n} · {count}', { n: sheet + 1, count: own.length })}</span>
          </Pressable>
        );
      })}
    </Strip>
  );
}

const Strip = styled('div')({ display: 'flex', gap: 8, overflowX: 'auto', flex: 'none', paddingBottom: 4 });
