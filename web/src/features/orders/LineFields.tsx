import type { GarmentStyle } from '@saltflat/contract';
import { garmentOf } from '@saltflat/contract/equipment';
import { PLACEMENTS, PLACEMENT_KEYS } from '@saltflat/contract/placements';
import type { PlacementKey } from '@saltflat/contract/placements';
import { fibreWords } from '@saltflat/core/route';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useUnits } from '../../units/unitsSlice.ts';
import { ArtDrop } from './ArtDrop.tsx';
import { piecesOf, suggestFor } from './orderFormValues.ts';
import type { LineValues } from './orderFormValues.ts';
import { ProcessField } from './ProcessField.tsx';
import { SizesField } from './SizesField.tsx';
import './orders.css';

interface Props {
  index: number;
  line: LineValues;
  styles: readonly GarmentStyle[];
  problems: Record<string, string>;
  onChange: (line: LineValues) => void;
  onRemove: (() => void) | null;
}

/** One line of the order being written: art on the left, everything else on the right. */
export function LineFields({ index, line, styles, problems, onChange, onRemove }: Props) {
  const system = useUnits();
  const style = styles.find(({ id }) => id === line.styleId);
  const colour = style?.colours.find(({ id }) => id === line.colourId);
  const suggestion = style ? suggestFor(style, line) : null;
  const problem = (field: string): string | undefined =>
    problems[`/lines/${index}/${field}`] ?? firstBelow(problems, `/lines/${index}/${field}/`);

  const change = (part: Partial<LineValues>): void => {
    const next = { ...line, ...part };
    const nextStyle = styles.find(({ id }) => id === next.styleId);
    const suggested = nextStyle && !next.isProcessChosen ? suggestFor(nextStyle, next) : null;
    onChange(suggested ? { ...next, process: suggested.process } : next);
  };
  const changeStyle = (styleId: string): void => {
    const next = styles.find(({ id }) => id === styleId);
    const known = Object.entries(line.quantities).filter(([size]) =>
      next?.sizes.some((own) => own.size === size),
    );
    change({ styleId, colourId: next?.colours[0]?.id ?? '', quantities: Object.fromEntries(known) });
  };
  const changePlacement = (placement: PlacementKey): void =>
    change({ placement, dropMm: PLACEMENTS[placement].dropMm, widthMm: PLACEMENTS[placement].widthMm });

  return (
    <section className="panel" aria-label={`Line ${index + 1}`}>
      <header>
        <h2>Line {index + 1}</h2>
        <span className="muted">{piecesOf(line)} pieces</span>
        <span style={{ flex: 1 }} />
        {onRemove && (
          <Button size="small" variant="text" onClick={onRemove}>
            Remove the line
          </Button>
        )}
      </header>
      <div className="line-fields">
        <ArtDrop
          artwork={line.artwork}
          colourHex={colour?.hex ?? '#ffffff'}
          label={`Artwork of line ${index + 1}`}
          onChange={(artwork) => change({ artwork })}
        />
        <div className="stack">
          <div className="line-row">
            <TextField
              select
              label="Garment"
              size="small"
              value={line.styleId}
              helperText={
                style
                  ? `${fibreWords(garmentOf(style, colour ?? style.colours[0] ?? NO_COLOUR))}, ${style.massGM2} g/m²`
                  : ' '
              }
              onChange={(event) => changeStyle(event.target.value)}
              slotProps={{ select: { native: true } }}
            >
              {styles.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </TextField>
            <TextField
              select
              label="Colour"
              size="small"
              value={line.colourId}
              onChange={(event) => change({ colourId: event.target.value })}
              slotProps={{
                select: { native: true },
                input: {
                  startAdornment: (
                    <span
                      className="swatch"
                      style={{ background: colour?.hex, marginRight: 8, flex: 'none' }}
                    />
                  ),
                },
              }}
            >
              {style?.colours.map(({ id, name, tone }) => (
                <option key={id} value={id}>
                  {name} ({tone})
                </option>
              ))}
            </TextField>
          </div>
          <SizesField
            sizes={style?.sizes ?? []}
            quantities={line.quantities}
            problem={problem('sizes')}
            onChange={(quantities) => change({ quantities })}
          />
          <div className="line-row three">
            <TextField
              select
              label="Placement"
              size="small"
              value={line.placement}
              helperText=" "
              onChange={(event) => changePlacement(event.target.value as PlacementKey)}
              slotProps={{ select: { native: true } }}
            >
              {PLACEMENT_KEYS.map((key) => (
                <option key={key} value={key}>
                  {PLACEMENTS[key].label}
                </option>
              ))}
            </TextField>
            <QuantityField
              label="Below the collar"
              kind="length"
              system={system}
              value={line.dropMm}
              problem={problem('dropMm')}
              onChange={(dropMm) => change({ dropMm })}
            />
            <QuantityField
              label="Printed width"
              kind="length"
              system={system}
              value={line.widthMm}
              problem={problem('widthMm')}
              onChange={(widthMm) => change({ widthMm })}
            />
          </div>
          <ProcessField
            name={`process-${index}`}
            process={line.process}
            suggestion={suggestion}
            onChange={(process) => change({ process, isProcessChosen: true })}
          />
          {['styleId', 'colourId', 'artworkId', 'id', 'process'].map(
            (field) =>
              problem(field) && (
                <p key={field} className="field-problem" role="alert">
                  {problem(field)}
                </p>
              ),
          )}
        </div>
      </div>
    </section>
  );
}

const NO_COLOUR = { id: '', name: '', hex: '#ffffff', tone: 'light' as const };

const firstBelow = (problems: Record<string, string>, prefix: string): string | undefined =>
  Object.entries(problems).find(([path]) => path.startsWith(prefix))?.[1];
