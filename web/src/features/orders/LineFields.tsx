import type { GarmentStyle } from '@saltflat/contract';
import { fibreWords } from '@saltflat/core/route';
import type { HouseMethods } from '@saltflat/core/route';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { LineMethods } from './LineMethods.tsx';
import { anotherPrint, piecesOf, printsOn } from './orderFormValues.ts';
import type { LineValues, PrintValues } from './orderFormValues.ts';
import { PrintFields } from './PrintFields.tsx';
import { SizesField } from './SizesField.tsx';
import './orders.css';

interface Props {
  index: number;
  line: LineValues;
  styles: readonly GarmentStyle[];
  house: HouseMethods;
  /** When the order is due, ms since 1970; `null` while none is written. */
  dueMs: number | null;
  problems: Record<string, string>;
  /** What changed of the line; the rest stays as it is by then, whatever was typed meanwhile. */
  onChange: (change: (line: LineValues) => LineValues) => void;
  onRemove: (() => void) | null;
}

/** One line of the order being written: a garment and how many, and every print it gets. */
export function LineFields({ index, line, styles, house, dueMs, problems, onChange, onRemove }: Props) {
  const style = styles.find(({ id }) => id === line.styleId);
  const problem = problemAt(problems, `/lines/${index}`);
  const set = (part: Partial<LineValues>): void => onChange((own) => ({ ...own, ...part }));
  const setPrint = (id: string, part: Partial<PrintValues>): void =>
    onChange((own) => ({
      ...own,
      prints: own.prints.map((print) => (print.id === id ? { ...print, ...part } : print)),
    }));
  const changeStyle = (styleId: string): void => {
    const next = styles.find(({ id }) => id === styleId);
    const isThere = ([size]: [string, unknown]): boolean =>
      next?.sizes.some((own) => own.size === size) ?? false;
    onChange((own) => ({
      ...own,
      styleId,
      colourId: next?.colours[0]?.id ?? '',
      quantities: Object.fromEntries(Object.entries(own.quantities).filter(isThere)),
      prints: printsOn(next, own.prints),
    }));
  };
  const another = anotherPrint(style, line.prints);
  return (
    <section className="panel" aria-label={`Line ${index + 1}`}>
      <header>
        <h2>Line {index + 1}</h2>
        <span className="muted">
          {piecesOf(line)} pieces{line.prints.length > 1 && `, ${line.prints.length} prints on each`}
        </span>
        <span style={{ flex: 1 }} />
        {onRemove && (
          <Button size="small" variant="text" onClick={onRemove}>
            Remove the line
          </Button>
        )}
      </header>
      {line.prints.map((print, k) => (
        <PrintFields
          key={print.id}
          place={{ line: index, print: k }}
          line={line}
          print={print}
          style={style}
          dueMs={dueMs}
          problem={problemAt(problems, `/lines/${index}/prints/${k}`)}
          onChange={(part) => setPrint(print.id, part)}
          onRemove={() =>
            onChange((own) => ({ ...own, prints: own.prints.filter(({ id }) => id !== print.id) }))
          }
        >
          {k === 0 && (
            <>
              <Garment
                {...{ line, styles, style }}
                onStyle={changeStyle}
                onColour={(colourId) => set({ colourId })}
              />
              <SizesField
                sizes={style?.sizes ?? []}
                quantities={line.quantities}
                problem={problem('sizes')}
                onChange={(quantities) => set({ quantities })}
              />
              {['styleId', 'colourId', 'id'].map(
                (field) =>
                  problem(field) && (
                    <p key={field} className="field-problem" role="alert">
                      {problem(field)}
                    </p>
                  ),
              )}
            </>
          )}
        </PrintFields>
      ))}
      <div className="line-below">
        <div>
          <Button
            size="small"
            variant="outlined"
            disabled={another === null}
            onClick={() => another && onChange((own) => ({ ...own, prints: [...own.prints, another] }))}
          >
            Another print on the same garment
          </Button>
        </div>
        <LineMethods shop={house} own={line.house} onChange={(own) => set({ house: own })} />
      </div>
    </section>
  );
}

/** The blank and its colour. */
function Garment({
  line,
  styles,
  style,
  onStyle,
  onColour,
}: {
  line: LineValues;
  styles: readonly GarmentStyle[];
  style: GarmentStyle | undefined;
  onStyle: (id: string) => void;
  onColour: (id: string) => void;
}) {
  const colour = style?.colours.find(({ id }) => id === line.colourId);
  return (
    <div className="line-row">
      <TextField
        select
        label="Garment"
        size="small"
        value={line.styleId}
        helperText={style ? `${fibreWords(style)}, ${style.massGM2} g/m²` : ' '}
        onChange={(event) => onStyle(event.target.value)}
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
        onChange={(event) => onColour(event.target.value)}
        slotProps={{
          select: { native: true },
          input: {
            startAdornment: (
              <span className="swatch" style={{ background: colour?.hex, marginRight: 8, flex: 'none' }} />
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
  );
}

/** What is wrong with a field, or with the first below it. */
const problemAt =
  (problems: Record<string, string>, path: string) =>
  (field: string): string | undefined =>
    problems[`${path}/${field}`] ??
    Object.entries(problems).find(([own]) => own.startsWith(`${path}/${field}/`))?.[1];
