import { t } from '../../words/index.ts';
import type { GarmentStyle } from '@saltflat/contract';
import { PLACEMENTS, placementsOn } from '@saltflat/core/placement';
import { Suspense, lazy } from 'react';
import type { ReactNode } from 'react';
import { useUnits } from '../../units/writingSlice.ts';
import { ArtDrop, THUMB_PX } from './ArtDrop.tsx';
import { LineProcess } from './LineProcess.tsx';
import { orderedSizes, usualPlace } from './orderFormValues.ts';
import type { LineValues, PrintValues } from './orderFormValues.ts';
import { PrintJudged } from './PrintJudged.tsx';
import { WidthsField } from './WidthsField.tsx';
import {
  Button,
  FieldProblem,
  Grow,
  QuantityField,
  Row,
  SelectField,
  Split,
  Stack,
  TOKENS,
  styled,
} from '../../ui/index.ts';

/** Few prints are mended before they are taken in. */
const MendedThumb = lazy(() => import('./MendedThumb.tsx'));

interface Props {
  /** Of the line on the order and of the print on the line, from 0. */
  place: { line: number; print: number };
  line: LineValues;
  print: PrintValues;
  style: GarmentStyle | undefined;
  /** When the order is due, ms since 1970; `null` while none is written. */
  dueMs: number | null;
  problem: (field: string) => string | undefined;
  onChange: (part: Partial<PrintValues>) => void;
  onRemove: (() => void) | null;
  /** Several files were dropped on it. */
  onSeveral: (files: File[]) => void;
  /** What belongs to the garment, written beside its first print. */
  children?: ReactNode;
}

/** One print: its art on the left, where it goes and how large on the right, how it is made below. */
export function PrintFields({
  place,
  line,
  print,
  style,
  dueMs,
  problem,
  onChange,
  onRemove,
  onSeveral,
  children,
}: Props) {
  const system = useUnits();
  const isAlone = line.prints.length === 1;
  const elsewhere = line.prints.filter((own) => own !== print).map(({ placement }) => placement);
  const [line1, print1] = [place.line + 1, place.print + 1]; // as people count
  const { from, label } = PLACEMENTS[print.placement];
  return (
    <Frame aria-label={t('Print {print} of line {line}', { print: print1, line: line1 })}>
      {!isAlone && (
        <Row as="header" style={{ padding: '12px 16px 0' }}>
          <h3>{t('Print {print}: {place}', { print: print1, place: t(label).toLowerCase() })}</h3>
          <Grow />
          {onRemove && (
            <Button look="quiet" size="small" onClick={onRemove}>
              {t('Remove the print')}
            </Button>
          )}
        </Row>
      )}
      <Split columns="260px minmax(0, 1fr)" gap={20} pad={16}>
        <ArtDrop
          artwork={print.artwork}
          colourHex={style?.colours.find(({ id }) => id === line.colourId)?.hex ?? '#ffffff'}
          label={
            place.print === 0
              ? t('Artwork of line {line}', { line: line1 })
              : t('Artwork of line {line}, print {print}', { line: line1, print: print1 })
          }
          onChange={(artwork) => onChange({ artwork, preparation: null })}
          onSeveral={onSeveral}
          picture={
            print.preparation && style ? (
              <Suspense>
                <MendedThumb {...{ print, style, colourId: line.colourId, size: THUMB_PX }} />
              </Suspense>
            ) : undefined
          }
        />
        <Stack>
          {children}
          <Split columns="1fr 1fr 1fr" gap={12}>
            <SelectField
              label={t('Placement')}
              value={print.placement}
              problem={problem('placement')}
              keepsRoom
              options={placementsOn(style?.kind ?? 'tee').map((key) => ({
                value: key,
                label: t(PLACEMENTS[key].label),
                disabled: elsewhere.includes(key),
              }))}
              onChange={(key) => onChange(usualPlace(style, key))}
            />
            <QuantityField
              label={from === 'collar' ? t('Below the collar') : t('Below the upper edge')}
              kind="length"
              system={system}
              value={print.dropMm}
              problem={problem('dropMm')}
              onChange={(dropMm) => onChange({ dropMm })}
            />
            <QuantityField
              label={t('Printed width')}
              kind="length"
              system={system}
              value={print.widthMm}
              problem={problem('widthMm')}
              onChange={(widthMm) => onChange({ widthMm })}
            />
          </Split>
          <WidthsField
            sizes={orderedSizes(line)}
            widths={print.widths}
            widthMm={print.widthMm}
            onChange={(widths) => onChange({ widths })}
          />
          <PrintJudged key={print.artwork?.id} line={line} print={print} onChange={onChange} />
          {['artworkId', 'id', 'process', 'grades'].map((field) => (
            <FieldProblem key={field}>{problem(field)}</FieldProblem>
          ))}
        </Stack>
      </Split>
      <Stack pad="0 16px 16px">
        <LineProcess
          name={`process-${place.line}-${place.print}`}
          of={t('print {print} of line {line}', { print: print1, line: line1 })}
          line={line}
          print={print}
          dueMs={dueMs}
          onChange={onChange}
        />
      </Stack>
    </Frame>
  );
}

const Frame = styled('section')({ '& + &': { borderTop: `1px solid ${TOKENS.hairline}` } });
