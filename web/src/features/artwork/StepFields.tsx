import type { ArtStep } from '@saltflat/core/artwork';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import Button from '@mui/material/Button';
import { Slider } from './Slider.tsx';

interface Props {
  step: ArtStep;
  system: UnitSystem;
  isCleaning: boolean;
  onChange: (step: ArtStep) => void;
  onClean: () => void;
  onPick: () => void;
}

/** The knobs of one step. */
export function StepFields({ step, system, isCleaning, onChange, onClean, onPick }: Props) {
  const fine = (value: number): string =>
    formatQuantity(value, 'length', system, system.length === 'mm' ? 2 : 3);
  switch (step.kind) {
    case 'knock-out':
      return <KnockOutFields {...{ step, isCleaning, onChange, onClean, onPick }} />;
    case 'harden-edges':
      return (
        <div className="step-fields">
          <Slider
            label="Full ink from"
            shown={`${Math.round((100 * step.threshold) / 255)} % alpha`}
            min={1}
            max={255}
            step={1}
            value={step.threshold}
            onChange={(threshold) => onChange({ ...step, threshold })}
          />
        </div>
      );
    case 'screen-soft':
      return (
        <div className="step-fields">
          <Slider
            label="Dots apart"
            shown={fine(step.cellMm)}
            min={0.6}
            max={2.5}
            step={0.1}
            value={step.cellMm}
            onChange={(cellMm) => onChange({ ...step, cellMm })}
            hint="Dots under 0.2 mm² would not hold and are left out: wider apart keeps more of the faint parts."
          />
        </div>
      );
    case 'thicken':
      return (
        <div className="step-fields">
          <Slider
            label="What is thinner than"
            shown={fine(step.thinnerThanMm)}
            min={0.1}
            max={1.5}
            step={0.05}
            value={step.thinnerThanMm}
            onChange={(thinnerThanMm) => onChange({ ...step, thinnerThanMm })}
          />
          <Slider
            label="By"
            shown={fine(step.byMm)}
            min={0.05}
            max={1}
            step={0.05}
            value={step.byMm}
            onChange={(byMm) => onChange({ ...step, byMm })}
          />
        </div>
      );
    case 'drop-specks':
      return (
        <div className="step-fields">
          <Slider
            label="Smaller than"
            shown={`${step.smallerThanMm2.toFixed(2)} mm²`}
            min={0.05}
            max={2}
            step={0.05}
            value={step.smallerThanMm2}
            onChange={(smallerThanMm2) => onChange({ ...step, smallerThanMm2 })}
          />
        </div>
      );
    case 'perforate':
      return (
        <div className="step-fields">
          <Slider
            label="Holes"
            shown={fine(step.holeMm)}
            min={0.8}
            max={3}
            step={0.1}
            value={step.holeMm}
            onChange={(holeMm) =>
              onChange({ ...step, holeMm, pitchMm: Math.max(step.pitchMm, holeMm + 0.4) })
            }
          />
          <Slider
            label="From hole to hole"
            shown={fine(step.pitchMm)}
            min={1.4}
            max={8}
            step={0.1}
            value={step.pitchMm}
            onChange={(pitchMm) => onChange({ ...step, pitchMm: Math.max(pitchMm, step.holeMm + 0.4) })}
          />
        </div>
      );
    default:
      return <p className="muted small step-fields">Nothing to set.</p>;
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
    <div className="step-fields">
      <div className="row">
        <label className="row" style={{ gap: 8 }}>
          Colour
          <input
            type="color"
            value={step.hex}
            onChange={(event) => onChange({ ...step, hex: event.target.value })}
          />
          <span className="code">{step.hex}</span>
        </label>
        <Button size="small" variant="outlined" onClick={onPick}>
          Pick from the picture
        </Button>
      </div>
      <fieldset className="row choice">
        <legend className="visually-hidden">Where</legend>
        {(
          [
            ['global', 'Wherever it is'],
            ['flood', 'From the border in'],
          ] as const
        ).map(([mode, words]) => (
          <label key={mode} className="row" style={{ gap: 6 }}>
            <input type="radio" checked={step.mode === mode} onChange={() => onChange({ ...step, mode })} />
            {words}
          </label>
        ))}
      </fieldset>
      <Slider
        label="Tolerance"
        shown={String(step.tol)}
        min={0}
        max={40}
        step={1}
        value={step.tol}
        onChange={(tol) => onChange({ ...step, tol })}
        hint="How different a colour may be and still go: 1 is just visible."
      />
      <Slider
        label="Fade"
        shown={String(step.soft)}
        min={0}
        max={40}
        step={1}
        value={step.soft}
        onChange={(soft) => onChange({ ...step, soft })}
        hint="Over how much difference edges fade out."
      />
      <Button size="small" variant="outlined" disabled={isCleaning} onClick={onClean}>
        {isCleaning ? 'Looking …' : 'Raise the tolerance until clean'}
      </Button>
    </div>
  );
}
