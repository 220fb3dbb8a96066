import { t } from '../../words/index.ts';
import type { BlankKind } from '@saltflat/core/blank';
import { outlineOf, outlineScale, printTop } from '@saltflat/core/placement';
import type { GarmentOutline, PlacementPlan } from '@saltflat/core/placement';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import type { Said } from '@saltflat/core/words';
import { useState } from 'react';
import { PrintFrame } from '../../loading/index.ts';
import { useWords } from '../../units/useWords.ts';
import { Note, Panel, Pressable, SimpleTable, Split, Stack } from '../../ui/index.ts';

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
    <Panel
      title={placement.label}
      label={t('Placement, {toLowerCase}', { toLowerCase: placement.label.toLowerCase() })}
      says={words(placement.rule)}
    >
      <Split columns="240px minmax(0, 1fr)" pad={16}>
        <svg
          viewBox={`${box.x - 8} ${box.y - 8} ${box.width + 16} ${box.height + 16}`}
          role="img"
          style={{ width: '100%', maxHeight: 280 }}
          aria-label={t('Print of {widthMm} by {heightMm}, {dropMm} down, size {size}', {
            widthMm: length(own.widthMm),
            heightMm: length(own.heightMm),
            dropMm: length(own.dropMm),
            size: own.size,
          })}
        >
          <g transform={`scale(${scale})`}>
            <path d={outline.body} fill={colourHex} stroke="var(--ink)" strokeWidth={3} />
            {outline.details !== '' && (
              <path d={outline.details} fill="none" stroke="var(--muted)" strokeWidth={2} />
            )}
          </g>
          <PrintFrame picture={picture} x={left} y={upper} width={own.widthMm} height={own.heightMm} />
        </svg>
        <Stack gap={8}>
          <SimpleTable
            label={t('Sizes')}
            rows={sizes}
            keyOf={({ size }) => size}
            isSelected={({ size }) => size === own.size}
            columns={[
              {
                key: 'size',
                title: t('Size'),
                cell: ({ size }) => (
                  <Pressable
                    look="words"
                    onClick={() => setShown(sizes.findIndex((one) => one.size === size))}
                  >
                    {size}
                  </Pressable>
                ),
              },
              { key: 'pieces', title: t('Pieces'), isNumber: true, cell: ({ quantity }) => quantity },
              { key: 'down', title: t('Down'), isNumber: true, cell: ({ dropMm }) => length(dropMm) },
              { key: 'wide', title: t('Wide'), isNumber: true, cell: ({ widthMm }) => length(widthMm) },
              { key: 'high', title: t('High'), isNumber: true, cell: ({ heightMm }) => length(heightMm) },
              ...(platen
                ? [
                    {
                      key: 'platen',
                      title: t('Left on platen'),
                      isNumber: true,
                      cell: ({ platenLeftMm }: (typeof sizes)[number]) =>
                        platenLeftMm === null ? '–' : length(platenLeftMm),
                    },
                  ]
                : []),
            ]}
          />
          <p className="muted small">
            {own.bodyWidthMm === null
              ? t('Outline of a middle size, to one scale with the print.')
              : t('Size {size}, {bodyWidthMm} wide, to one scale with the print.', {
                  size: own.size,
                  bodyWidthMm: length(own.bodyWidthMm),
                })}
            {platen ? t(' Loaded on the {platen} platen.', { platen }) : ''}
          </p>
          {heatedAgain !== null && (
            <Note tone="caution">
              <span aria-hidden="true">∿ </span>
              {words(heatedAgain)}
            </Note>
          )}
          {needs.map(({ said }) => (
            <Note tone="caution" key={said.code}>
              {words(said)}
            </Note>
          ))}
        </Stack>
      </Split>
    </Panel>
  );
}

const scaledBox = ({ x, y, width, height }: GarmentOutline['box'], by: number): GarmentOutline['box'] => ({
  x: x * by,
  y: y * by,
  width: width * by,
  height: height * by,
});
