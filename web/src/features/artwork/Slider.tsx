import { useId } from 'react';

interface Props {
  label: string;
  value: number;
  /** The value as a person reads it, with its unit. */
  shown: string;
  min: number;
  max: number;
  step: number;
  onChange: (value: number) => void;
  hint?: string;
}

/** A knob with its value beside its name. */
export function Slider({ label, value, shown, min, max, step, onChange, hint }: Props) {
  const id = useId();
  return (
    <div className="slider">
      <label htmlFor={id}>
        <span>{label}</span>
        <strong>{shown}</strong>
      </label>
      <input
        id={id}
        type="range"
        min={min}
        max={max}
        step={step}
        value={value}
        aria-valuetext={shown}
        onChange={(event) => onChange(Number(event.target.value))}
      />
      {hint && <p className="muted small">{hint}</p>}
    </div>
  );
}
