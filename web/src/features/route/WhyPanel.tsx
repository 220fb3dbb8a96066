import type { Limit, Operation, Setting } from '@saltflat/core/route';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { QuantityField } from '../../ui/QuantityField.tsx';

const SOURCE_WORDS = {
  override: 'A person',
  proven: 'Proven here',
  maker: 'Maker’s sheet',
  house: 'House method',
  model: 'Model',
  trade: 'Trade range',
} as const;

export interface OwnValue {
  value: number;
  who: string;
  why: string;
}

interface Props {
  operation: Operation;
  setting: Setting;
  system: UnitSystem;
  who: string;
  /** `null` where the route cannot be changed any more. */
  onOverride: ((own: OwnValue) => Promise<string | null>) | null;
  onTakeBack: (() => void) | null;
  onClose: () => void;
}

/** Why a setting is what it is: reasons strongest first, limits as a bar, and a place to change it. */
export function WhyPanel({ operation, setting, system, who, onOverride, onTakeBack, onClose }: Props) {
  const isOwn = setting.reasons[0]?.source === 'override';
  const shown = (value: number): string => formatQuantity(value, setting.kind, system);
  return (
    <aside
      className="panel why"
      aria-label={`Why ${setting.label}`}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <header>
        <h2>
          {setting.label} {shown(setting.value)}
        </h2>
        <span style={{ flex: 1 }} />
        <Button size="small" variant="text" onClick={onClose}>
          Close
        </Button>
      </header>
      <div className="stack" style={{ padding: 16 }}>
        <p className="muted">{operation.title}</p>
        {setting.conflicts.map((text) => (
          <p key={text} className="alarm">
            ■ {text}
          </p>
        ))}
        <ol className="reasons">
          {setting.reasons.map((reason, i) => (
            <li key={i} data-chosen={i === setting.reasons.findIndex(({ value }) => value !== null)}>
              <strong>{SOURCE_WORDS[reason.source]}</strong>
              {reason.value !== null && <span className="muted"> {shown(reason.value)}</span>}
              <div>{reason.text}</div>
            </li>
          ))}
        </ol>
        {setting.limits.length > 0 && <Limits limits={setting.limits} setting={setting} system={system} />}
        {onOverride ? (
          <OverrideForm
            setting={setting}
            system={system}
            who={who}
            onOverride={onOverride}
            onTakeBack={isOwn ? onTakeBack : null}
          />
        ) : (
          <p className="muted">This route is being run or has been run: it stays as it is.</p>
        )}
      </div>
    </aside>
  );
}

function Limits({
  limits,
  setting,
  system,
}: {
  limits: readonly Limit[];
  setting: Setting;
  system: UnitSystem;
}) {
  const bounds = limits.flatMap(({ min, max }) => [min, max]).filter((bound) => bound !== null);
  const low = Math.min(setting.value, ...bounds) - 5;
  const high = Math.max(setting.value, ...bounds) + 5;
  const at = (value: number): string => `${((value - low) / (high - low)) * 100}%`;
  const shown = (value: number): string => formatQuantity(value, setting.kind, system);
  return (
    <div>
      <h3>Limits</h3>
      {limits.map(({ min, max, text }) => (
        <div key={text} style={{ marginTop: 8 }}>
          <div className="limit-bar" aria-hidden="true">
            <span
              className="allowed"
              style={{
                left: min === null ? 0 : at(min),
                right: max === null ? 0 : `calc(100% - ${at(max)})`,
              }}
            />
            <span className="value" style={{ left: at(setting.value) }} />
          </div>
          <p className="small">
            {min !== null && `from ${shown(min)} `}
            {max !== null && `up to ${shown(max)}`}: <span className="muted">{text}</span>
          </p>
        </div>
      ))}
    </div>
  );
}

interface FormProps {
  setting: Setting;
  system: UnitSystem;
  who: string;
  onOverride: (own: OwnValue) => Promise<string | null>;
  onTakeBack: (() => void) | null;
}

function OverrideForm({ setting, system, who, onOverride, onTakeBack }: FormProps) {
  const [value, setValue] = useState<number | null>(setting.value);
  const [name, setName] = useState(who);
  const [why, setWhy] = useState('');
  const [refusal, setRefusal] = useState('');
  const submit = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    if (value === null || name.trim() === '' || why.trim() === '') {
      setRefusal('A value, who you are and why: all three are kept with the route.');
      return;
    }
    setRefusal((await onOverride({ value, who: name.trim(), why: why.trim() })) ?? '');
  };
  return (
    <form className="stack" style={{ gap: 8 }} onSubmit={(event) => void submit(event)}>
      <h3>Change it here</h3>
      <QuantityField
        label="Your value"
        kind={setting.kind}
        system={system}
        value={value}
        onChange={setValue}
      />
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 2fr', gap: 8 }}>
        <TextField label="Who" size="small" value={name} onChange={(event) => setName(event.target.value)} />
        <TextField label="Why" size="small" value={why} onChange={(event) => setWhy(event.target.value)} />
      </div>
      {refusal !== '' && (
        <p className="field-problem" role="alert">
          {refusal}
        </p>
      )}
      <div className="row">
        <Button type="submit" variant="contained" size="small">
          Plan with this value
        </Button>
        {onTakeBack && (
          <Button variant="outlined" size="small" onClick={onTakeBack}>
            Take the change back
          </Button>
        )}
      </div>
    </form>
  );
}
