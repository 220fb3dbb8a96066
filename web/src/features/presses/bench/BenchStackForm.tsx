import type { BenchStack } from '@saltflat/core/heat';
import { STACK_MATERIALS } from '@saltflat/core/work';
import type { StackLayer, StackMaterial } from '@saltflat/core/work';
import {
  Button,
  CheckField,
  FieldProblem,
  IconButton,
  NumberField,
  QuantityField,
  Row,
  SelectField,
  Stack,
  TextField,
} from '../../../ui/index.ts';
import { useUnits } from '../../../units/writingSlice.ts';
import { t } from '../../../words/index.ts';
import type { Variant } from './variant.ts';
import type { BenchField } from './benchProblems.ts';
import { GROUND_OF, MATERIALS } from './benchWords.ts';

const PADS = [
  { value: 'sponge-pad', label: t('Sponge pad') },
  { value: 'solid-pad', label: t('Solid silicone pad') },
] as const;
const COOLS = [
  { value: 'wood', label: t('A wooden table') },
  { value: 'metal', label: t('A metal table') },
  { value: 'press', label: t('The open press') },
] as const;
/** What a layer is usually, mm. */
const USUAL_MM: Partial<Record<StackMaterial, number>> = {
  parchment: 0.05,
  kraft: 0.11,
  ptfe: 0.13,
  'silicone-mat': 3,
  film: 0.075,
  'transfer-ink': 0.04,
  'direct-ink': 0.04,
  'adhesive-fused': 0.07,
  'adhesive-powder': 0.15,
  'cotton-jersey': 0.45,
  fleece: 1.2,
  'polyester-knit': 0.35,
  'cap-foam': 1.5,
  leatherette: 1.1,
  canvas: 0.7,
};
const LAYERS = STACK_MATERIALS.filter((own) => !own.endsWith('-pad'));

interface Props {
  variant: Variant;
  problems: Partial<Record<BenchField, string>>;
  onChange: (variant: Variant) => void;
}

/** One stack of several, with its name. */
export const BenchStackForm = ({ variant, problems, onChange }: Props) => (
  <Stack gap={12} pad={16}>
    <TextField label={t('Name')} value={variant.name} onChange={(name) => onChange({ ...variant, name })} />
    <StackFields
      stack={variant.stack}
      problems={problems}
      onChange={(stack) => onChange({ ...variant, stack })}
    />
  </Stack>
);

interface StackProps {
  stack: BenchStack;
  problems: Partial<Record<BenchField, string>>;
  onChange: (stack: BenchStack) => void;
}

/** A stack: its layers from the plate down, and what the press does. */
export function StackFields({ stack, problems, onChange }: StackProps) {
  const system = useUnits();
  const put = (own: Partial<BenchStack>): void => onChange({ ...stack, ...own });
  const quantity = (
    field: 'plateC' | 'kPa' | 'dwellS' | 'openS',
    kind: 'temperature' | 'pressure' | 'duration',
    label: string,
  ) => (
    <QuantityField
      label={label}
      kind={kind}
      system={system}
      value={stack[field]}
      usual={stack[field]}
      problem={problems[field]}
      onChange={(value) => value !== null && put({ [field]: value })}
    />
  );
  return (
    <Stack gap={12}>
      <Picture stack={stack} />
      <Layers layers={stack.layers} problems={problems} onChange={(layers) => put({ layers })} />
      <Row gap={10} align="start">
        {quantity('plateC', 'temperature', t('Plate'))}
        {stack.gapMm === 0 && quantity('kPa', 'pressure', t('Pressure'))}
        {quantity('dwellS', 'duration', stack.gapMm === 0 ? t('Closed for') : t('Held above for'))}
        <NumberField
          label={t('Closings')}
          width={130}
          value={stack.closings}
          problem={problems.closings}
          onChange={(closings) => closings !== null && put({ closings })}
        />
        {stack.closings > 1 && quantity('openS', 'duration', t('Open in between'))}
        <NumberField
          label={t('Gap, mm; 0 closed')}
          width={130}
          value={stack.gapMm}
          problem={problems.gapMm}
          onChange={(gapMm) => gapMm !== null && put({ gapMm })}
        />
      </Row>
      <Row gap={10} align="start">
        <div style={{ width: 170 }}>
          <SelectField label={t('On')} value={stack.pad} options={PADS} onChange={(pad) => put({ pad })} />
        </div>
        <div style={{ width: 170 }}>
          <SelectField
            label={t('Cools on')}
            value={stack.coolsOn}
            options={COOLS}
            onChange={(coolsOn) => put({ coolsOn })}
          />
        </div>
      </Row>
      <Row gap={12}>
        <CheckField
          label={t('Lower half heated')}
          isChecked={stack.lowerC !== null}
          onChange={(isHeated) => put({ lowerC: isHeated ? 100 : null })}
        />
        {stack.lowerC !== null && (
          <QuantityField
            label={t('Lower half')}
            kind="temperature"
            system={system}
            value={stack.lowerC}
            usual={100}
            problem={problems.lowerC}
            onChange={(lowerC) => lowerC !== null && put({ lowerC })}
          />
        )}
        <CheckField
          label={t('Mat kept on the hot press')}
          isChecked={stack.mat === 'parked'}
          onChange={(isParked) => put({ mat: isParked ? 'parked' : 'cold' })}
        />
      </Row>
    </Stack>
  );
}

interface LayersProps {
  layers: readonly StackLayer[];
  problems: Props['problems'];
  onChange: (layers: StackLayer[]) => void;
}

function Layers({ layers, problems, onChange }: LayersProps) {
  const put = (i: number, own: Partial<StackLayer>): void =>
    onChange(layers.map((layer, k) => (k === i ? { ...layer, ...own } : layer)));
  const swap = (i: number): void =>
    onChange(
      layers.map((layer, k) =>
        k === i ? (layers[i - 1] ?? layer) : k === i - 1 ? (layers[i] ?? layer) : layer,
      ),
    );
  return (
    <Stack gap={8}>
      <ol aria-label={t('Layers, from the plate down')}>
        {layers.map(({ material, dMm, waterGM2 }, i) => (
          <li key={i} style={{ marginBottom: 6 }}>
            <Row gap={4} align="start">
              <div style={{ width: 150 }}>
                <SelectField
                  label={t('Layer {number}', { number: i + 1 })}
                  value={material}
                  options={LAYERS.map((value) => ({ value, label: MATERIALS[value] }))}
                  onChange={(value) => put(i, { material: value, dMm: USUAL_MM[value] ?? dMm })}
                />
              </div>
              <NumberField
                label={t('mm')}
                width={76}
                value={dMm}
                problem={problems[`layer ${i}`]}
                onChange={(value) => value !== null && put(i, { dMm: value })}
              />
              <NumberField
                label={t('g/m² wet')}
                width={88}
                value={waterGM2}
                problem={problems[`water ${i}`]}
                onChange={(value) => value !== null && put(i, { waterGM2: value })}
              />
              <Button look="quiet" size="small" disabled={i === 0} onClick={() => swap(i)}>
                {t('Up')}
              </Button>
              <IconButton
                label={t('Take layer {number} out', { number: i + 1 })}
                onClick={() => onChange(layers.filter((_, k) => k !== i))}
              >
                ×
              </IconButton>
            </Row>
          </li>
        ))}
      </ol>
      <FieldProblem>{problems.layers}</FieldProblem>
      <div>
        <Button
          size="small"
          onClick={() => onChange([{ material: 'parchment', dMm: 0.05, waterGM2: 0 }, ...layers])}
        >
          {t('Add a layer on top')}
        </Button>
      </div>
    </Stack>
  );
}

/** The stack from the side: heights go by the root of the thickness, so that ink is seen beside a pad. */
function Picture({ stack: { layers, pad } }: { stack: BenchStack }) {
  const all = [...layers, { material: pad, dMm: pad === 'sponge-pad' ? 9 : 3, waterGM2: 0 }];
  return (
    <div aria-hidden="true" style={{ borderTop: '6px solid #E58A1F' }}>
      {all.map(({ material, dMm }, i) => (
        <div
          key={i}
          style={{
            height: Math.max(14, 18 * Math.sqrt(Math.max(0, dMm))),
            background: GROUND_OF(material),
            borderBottom: '1px solid #FFFFFF',
            fontSize: 11,
            lineHeight: '14px',
            padding: '0 6px',
            color: material.endsWith('-ink') ? '#FFFFFF' : '#0F2A30',
          }}
        >
          {MATERIALS[material]}
        </div>
      ))}
    </div>
  );
}
