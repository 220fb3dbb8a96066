import { t } from '../../words/index.ts';
import type { GarmentStyle } from '@saltflat/contract';
import { fibreWords } from '@saltflat/core/route';
import type { HouseMethods } from '@saltflat/core/route';
import { useEffect, useRef } from 'react';
import { LineMethods } from './LineMethods.tsx';
import { anotherPrint, piecesOf, printsOn, sizesProblem } from './orderFormValues.ts';
import type { LineValues, PrintValues } from './orderFormValues.ts';
import { PrintFields } from './PrintFields.tsx';
import { SizesField } from './SizesField.tsx';
import { Button, ChoiceField, FieldProblem, Panel, Split, Stack } from '../../ui/index.ts';

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
  /** Several files were dropped on one of its prints. */
  onSeveral: (print: string, files: File[]) => void;
  /** Adds a blank of that name to the shop’s list, and says which once it is there. */
  onNewBlank: (name: string, take: (styleId: string) => void) => void;
}

/** One line of the order being written: a garment and how many, and every print it gets. */
export function LineFields({
  index,
  line,
  styles,
  house,
  dueMs,
  problems,
  onChange,
  onRemove,
  onSeveral,
  onNewBlank,
}: Props) {
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
  const latestStyle = useRef(changeStyle);
  useEffect(() => {
    latestStyle.current = changeStyle; // of the list as it is once a new blank is in it
  });
  const another = anotherPrint(style, line.prints);
  return (
    <Panel
      title={t('Line {n}', { n: index + 1 })}
      says={
        line.prints.length > 1
          ? t('{pieces} pieces, {prints} prints on each', {
              pieces: piecesOf(line),
              prints: line.prints.length,
            })
          : t('{pieces} pieces', { pieces: piecesOf(line) })
      }
      actions={
        onRemove && (
          <Button size="small" look="quiet" onClick={onRemove}>
            {t('Remove the line')}
          </Button>
        )
      }
    >
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
          onSeveral={(files) => onSeveral(print.id, files)}
          onRemove={() =>
            onChange((own) => ({ ...own, prints: own.prints.filter(({ id }) => id !== print.id) }))
          }
        >
          {k === 0 && (
            <>
              <Garment
                {...{ line, styles, style }}
                onStyle={changeStyle}
                onNewBlank={(name) => onNewBlank(name, (id) => latestStyle.current(id))}
                onColour={(colourId) => set({ colourId })}
              />
              <SizesField
                sizes={style?.sizes ?? []}
                quantities={line.quantities}
                problem={sizesProblem(line, `/lines/${index}`, problems)}
                onChange={(quantities) => set({ quantities })}
              />
              {['styleId', 'colourId', 'id'].map((field) => (
                <FieldProblem key={field}>{problem(field)}</FieldProblem>
              ))}
            </>
          )}
        </PrintFields>
      ))}
      <Stack pad="0 16px 16px">
        <div>
          <Button
            size="small"
            disabled={another === null}
            onClick={() => another && onChange((own) => ({ ...own, prints: [...own.prints, another] }))}
          >
            {t('Another print on the same garment')}
          </Button>
        </div>
        <LineMethods shop={house} own={line.house} onChange={(own) => set({ house: own })} />
      </Stack>
    </Panel>
  );
}

/** The blank and its colour. */
function Garment({
  line,
  styles,
  style,
  onStyle,
  onNewBlank,
  onColour,
}: {
  line: LineValues;
  styles: readonly GarmentStyle[];
  style: GarmentStyle | undefined;
  onStyle: (id: string) => void;
  onNewBlank: (name: string) => void;
  onColour: (id: string) => void;
}) {
  return (
    <Split columns="1fr 1fr" gap={12}>
      <ChoiceField
        label={t('Garment')}
        recent="blanks"
        value={line.styleId}
        choices={styles.map((own) => ({
          id: own.id,
          label: own.name,
          says: `${fibreWords(own, t)}, ${own.maker}`,
        }))}
        help={style ? `${fibreWords(style, t)}, ${style.massGM2} g/m²` : ' '}
        create={{ words: (typed) => t('Add “{typed}” to the blanks', { typed }), onCreate: onNewBlank }}
        onChange={onStyle}
      />
      <ChoiceField
        label={t('Colour')}
        value={line.colourId}
        choices={(style?.colours ?? []).map(({ id, name, tone, hex }) => ({
          id,
          label: `${name} (${tone})`,
          hex,
        }))}
        onChange={onColour}
      />
    </Split>
  );
}

/** What is wrong with a field, or with the first below it. */
const problemAt =
  (problems: Record<string, string>, path: string) =>
  (field: string): string | undefined =>
    problems[`${path}/${field}`] ??
    Object.entries(problems).find(([own]) => own.startsWith(`${path}/${field}/`))?.[1];
