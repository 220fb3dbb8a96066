import MuiSlider from '@mui/material/Slider';
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
export function SliderField({ label, value, shown, min, max, step, onChange, hint }: Props) {
  const id = useId();
  return (
    <div>
      <div style={{ display: 'flex', justifyContent: 'space-between', gap: 8 }}>
        <span id={id}>{label}</span>
        <strong>{shown}</strong>
      </div>
      <div style={{ paddingInline: 8 }}>
        <MuiSlider
          aria-labelledby={id}
          getAriaValueText={() => shown}
          {...{ value, min, max, step }}
          onChange={(_event, next) => typeof next === 'number' && onChange(next)}
        />
      </div>
      {hint && <p className="muted small">{hint}</p>}
    </div>
  );
}
