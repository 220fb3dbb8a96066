import { t } from '../../words/index.ts';
import type { ArtStep } from '@saltflat/core/artwork';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import { Button, ColourField, RadioField, Row, SliderField, Stack } from '../../ui/index.ts';

interface Props {
  step: ArtStep;
  system: UnitSystem;
  isCleaning: boolean;
  onChange: (step: ArtStep) => void;
  onClean: () => void;
  onPick: () => void;
}

/** Under the step’s title. */
const INSIDE = '4px 16px 14px 42px';

/** The knobs of one step. */
export function StepFields({ step, system, isCleaning, onChange, onClean, onPick }: Props) {
  const fine = (value: number): string =>
    formatQuantity(value, 'length', system, system.length === 'mm' ? 2 : 3);
  switch (step.kind) {
    case 'knock-out':
      return <KnockOutFields {...{ step, isCleaning, onChange, onClean, onPick }} />;
    case 'harden-edges':
      return (
        <Stack gap={10} pad={INSIDE}>
          <SliderField
            label={t('Full ink from')}
            shown={`${Math.round((100 * step.threshold) / 255)} % alpha`}
            min={1}
            max={255}
            step={1}
            value={step.threshold}
            onChange={(threshold) => onChange({ ...step, threshold })}
          />
        </Stack>
      );
    case 'screen-soft':
      return (
        <Stack gap={10} pad={INSIDE}>
          <SliderField
            label={t('Dots apart')}
            shown={fine(step.cellMm)}
            min={0.6}
            max={2.5}
            step={0.1}
            value={step.cellMm}
            onChange={(cellMm) => onChange({ ...step, cellMm })}
            hint={t(
              'Dots under 0.2 mm² would not hold and are left out: wider apart keeps more of the faint parts.',
            )}
          />
        </Stack>
      );
    case 'thicken':
      return (
        <Stack gap={10} pad={INSIDE}>
          <SliderField
            label={t('What is thinner than')}
            shown={fine(step.thinnerThanMm)}
            min={0.1}
            max={1.5}
            step={0.05}
            value={step.thinnerThanMm}
            onChange={(thinnerThanMm) => onChange({ ...step, thinnerThanMm })}
          />
          <SliderField
            label={t('By')}
            shown={fine(step.byMm)}
            min={0.05}
            max={1}
            step={0.05}
            value={step.byMm}
            onChange={(byMm) => onChange({ ...step, byMm })}
          />
        </Stack>
      );
    case 'drop-specks':
      return (
        <Stack gap={10} pad={INSIDE}>
          <SliderField
            label={t('Smaller than')}
            shown={`${step.smallerThanMm2.toFixed(2)} mm²`}
            min={0.05}
            max={2}
            step={0.05}
            value={step.smallerThanMm2}
            onChange={(smallerThanMm2) => onChange({ ...step, smallerThanMm2 })}
          />
        </Stack>
      );
    case 'perforate':
      return (
        <Stack gap={10} pad={INSIDE}>
          <SliderField
            label={t('Holes')}
            shown={fine(step.holeMm)}
            min={0.8}
            max={3}
            step={0.1}
            value={step.holeMm}
            onChange={(holeMm) =>
              onChange({ ...step, holeMm, pitchMm: Math.max(step.pitchMm, holeMm + 0.4) })
            }
          />
          <SliderField
            label={t('From hole to hole')}
            shown={fine(step.pitchMm)}
            min={1.4}
            max={8}
            step={0.1}
            value={step.pitchMm}
            onChange={(pitchMm) => onChange({ ...step, pitchMm: Math.max(pitchMm, step.holeMm + 0.4) })}
          />
        </Stack>
      );
    default:
      return (
        <p className="muted small" style={{ padding: INSIDE }}>
          {t('Nothing to set.')}
        </p>
      );
  }
}

interface KnockOutProps {
  step: Extract<ArtStep, { kind: 'knock-out' }>;
  isCleaning: boolean;
  onChange: (step: ArtStep) => void;
  onClean: () => void;
  onPick: () => void;
}

function KnockOutFields({ step, isCleaning, onChange, onClean, onPick }: KnockOutProps) {
  return (
    <Stack gap={10} pad={INSIDE}>
      <Row>
        <Row gap={8}>
          {t('Colour')}
          <ColourField label={t('Colour')} hex={step.hex} onChange={(hex) => onChange({ ...step, hex })} />
          <span className="code">{step.hex}</span>
        </Row>
        <Button size="small" onClick={onPick}>
          {t('Pick from the picture')}
        </Button>
      </Row>
      <RadioField
        label={t('Where')}
        isNameHidden
        value={step.mode}
        options={[
          { value: 'global', label: t('Wherever it is') },
          { value: 'flood', label: t('From the border in') },
        ]}
        onChange={(mode) => onChange({ ...step, mode })}
      />
      <SliderField
        label={t('Tolerance')}
        shown={String(step.tol)}
        min={0}
        max={40}
        step={1}
        value={step.tol}
        onChange={(tol) => onChange({ ...step, tol })}
        hint={t('How different a colour may be and still go: 1 is just visible.')}
      />
      <SliderField
        label={t('Fade')}
        shown={String(step.soft)}
        min={0}
        max={40}
        step={1}
        value={step.soft}
        onChange={(soft) => onChange({ ...step, soft })}
        hint={t('Over how much difference edges fade out.')}
      />
      <Button size="small" isBusy={isCleaning} onClick={onClean}>
        {isCleaning ? t('Looking …') : t('Raise the tolerance until clean')}
      </Button>
    </Stack>
  );
}
