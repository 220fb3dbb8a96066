import type { BlankKind } from '@saltflat/core/blank';
import { outlineOf, outlineScale, printTop } from '@saltflat/core/placement';
import type { GarmentOutline, PlacementPlan } from '@saltflat/core/placement';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import type { Said } from '@saltflat/core/words';
import { useState } from 'react';
import { useWords } from '../../units/useWords.ts';

interface Props {
  placement: PlacementPlan;
  /** What later prints' heat means for this one; empty where there is none. */
  heatedAgain: Said | null;
  kind: BlankKind;
  colourHex: string;
  /** Address of the art's picture; `null` where there is none. */
  picture: string | null;
  system: UnitSystem;
}

/** Where the print goes on every size, drawn to scale, with what is in its way and what it takes. */
export function PlacementPanel({ placement, heatedAgain, kind, colourHex, picture, system }: Props) {
  const { sizes, needs, platen } = placement;
  const words = useWords();
  const [shown, setShown] = useState(Math.floor((sizes.length - 1) / 2));
  const own = sizes[shown] ?? sizes[0];
  if (!own) return null;
  const length = (mm: number): string => formatQuantity(mm, 'length', system);
  const outline = outlineOf(kind, placement.key);
  const scale = outlineScale(outline, own.bodyWidthMm);
  const largest = Math.max(scale, ...sizes.map(({ bodyWidthMm }) => outlineScale(outline, bodyWidthMm)));
  const box = scaledBox(outline.box, largest);
  const top = printTop(placement.key, own.dropMm / scale);
  const left = top.x * scale - own.widthMm / 2;
  const upper = top.y * scale;
  return (
    <section className="panel placement" aria-label={`Placement, ${placement.label.toLowerCase()}`}>
      <header>
        <h2>{placement.label}</h2>
        <span className="muted small">{words(placement.rule)}</span>
      </header>
      <div className="placement-split">
        <svg
          viewBox={`${box.x - 8} ${box.y - 8} ${box.width + 16} ${box.height + 16}`}
          role="img"
          aria-label={`Print of ${length(own.widthMm)} by ${length(own.heightMm)}, ${length(own.dropMm)} down, size ${own.size}`}
        >
          <g transform={`scale(${scale})`}>
            <path d={outline.body} fill={colourHex} stroke="var(--ink)" strokeWidth={3} />
            {outline.details !== '' && (
              <path d={outline.details} fill="none" stroke="var(--muted)" strokeWidth={2} />
            )}
          </g>
          {picture && (
            <image
              href={picture}
              x={left}
              y={upper}
              width={own.widthMm}
              height={own.heightMm}
              preserveAspectRatio="none"
            />
          )}
          <rect
            x={left}
            y={upper}
            width={own.widthMm}
            height={own.heightMm}
            fill="none"
            stroke="#ffffff"
            strokeWidth={6}
          />
          <rect
            x={left}
            y={upper}
            width={own.widthMm}
            height={own.heightMm}
            fill="none"
            stroke="var(--brine)"
            strokeWidth={3}
          />
        </svg>
        <div className="stack" style={{ gap: 8 }}>
          <table className="dense">
            <thead>
              <tr>
                <th>Size</th>
                <th className="number">Pieces</th>
                <th className="number">Down</th>
                <th className="number">Wide</th>
                <th className="number">High</th>
                {platen && <th className="number">Left on platen</th>}
              </tr>
            </thead>
            <tbody>
              {sizes.map((size, i) => (
                <tr key={size.size} aria-selected={i === shown}>
                  <td>
                    <button type="button" className="size-pick" onClick={() => setShown(i)}>
                      {size.size}
                    </button>
                  </td>
                  <td className="number">{size.quantity}</td>
                  <td className="number nowrap">{length(size.dropMm)}</td>
                  <td className="number nowrap">{length(size.widthMm)}</td>
                  <td className="number nowrap">{length(size.heightMm)}</td>
                  {platen && (
                    <td className="number nowrap">
                      {size.platenLeftMm === null ? '–' : length(size.platenLeftMm)}
                    </td>
                  )}
                </tr>
              ))}
            </tbody>
          </table>
          <p className="muted small">
            {own.bodyWidthMm === null
              ? 'Outline of a middle size, to one scale with the print.'
              : `Size ${own.size}, ${length(own.bodyWidthMm)} wide, to one scale with the print.`}
            {platen ? ` Loaded on the ${platen} platen.` : ''}
          </p>
          {heatedAgain !== null && (
            <p className="caution">
              <span aria-hidden="true">∿ </span>
              {words(heatedAgain)}
            </p>
          )}
          {needs.map(({ said }) => (
            <p key={said.code} className="caution">
              {words(said)}
            </p>
          ))}
        </div>
      </div>
    </section>
  );
}

const scaledBox = ({ x, y, width, height }: GarmentOutline['box'], by: number): GarmentOutline['box'] => ({
  x: x * by,
  y: y * by,
  width: width * by,
  height: height * by,
});
