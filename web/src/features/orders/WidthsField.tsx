import { t } from '../../words/index.ts';
import { useUnits } from '../../units/writingSlice.ts';
import { Button, QuantityField, Row } from '../../ui/index.ts';

interface Props {
  /** Sizes that are ordered. */
  sizes: readonly string[];
  /** Printed widths of their own, by size, mm. */
  widths: Record<string, number>;
  /** The width of all the others, mm. */
  widthMm: number | null;
  onChange: (widths: Record<string, number>) => void;
}

/** On demand, a printed width for some sizes. */
export function WidthsField({ sizes, widths, widthMm, onChange }: Props) {
  const system = useUnits();
  if (Object.keys(widths).length > 0)
    return (
      <Row gap={8} align="flex-start">
        {sizes.map((size) => (
          <div key={size} style={{ width: 130 }}>
            <QuantityField
              label={t('Width, {size}', { size })}
              kind="length"
              system={system}
              value={widths[size] ?? widthMm}
              onChange={(own) => own !== null && onChange({ ...widths, [size]: own })}
            />
          </div>
        ))}
        <Button look="quiet" size="small" onClick={() => onChange({})}>
          {t('One width for all')}
        </Button>
      </Row>
    );
  if (sizes.length < 2 || widthMm === null) return null;
  return (
    <div>
      <Button
        look="quiet"
        size="small"
        onClick={() => onChange(Object.fromEntries(sizes.map((size) => [size, widthMm])))}
      >
        {t('Another width for some sizes')}
      </Button>
    </div>
  );
}
