import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { useLaydownsQuery, useWeighPrintMutation } from './preparationsApi.ts';

interface Props {
  lineId: string;
  /** Which of the line's prints. */
  print: string;
  hasPowder: boolean;
  by: string;
}

const grams = (text: string): number => Number(text.trim().replace(',', '.'));
const isNumber = (text: string): boolean => text.trim() !== '' && Number.isFinite(grams(text));

/** A print on the scale before and after: its laydowns are then fitted from what was weighed, not assumed. */
export function WeighPrint({ lineId, print, hasPowder, by }: Props) {
  const { data: laydowns = [] } = useLaydownsQuery();
  const [weigh, { isLoading, error }] = useWeighPrintMutation();
  const [of, setOf] = useState<'ink' | 'powder'>('ink');
  const [before, setBefore] = useState('');
  const [after, setAfter] = useState('');
  const isReady = isNumber(before) && isNumber(after);
  const send = async (): Promise<void> => {
    const done = await weigh({ lineId, print, of, beforeG: grams(before), afterG: grams(after), by });
    if (done.error) return;
    setBefore('');
    setAfter('');
  };
  return (
    <section aria-label="Weigh a print" className="stack" style={{ padding: '12px 16px', gap: 8 }}>
      <h3>Weigh a print of this line</h3>
      <p className="muted small">
        Weigh it, lay ink or powder on, weigh it again while wet. Assumed laydowns then give way to your own.
      </p>
      <fieldset className="row choice">
        <legend className="visually-hidden">What was laid on</legend>
        {(hasPowder ? (['ink', 'powder'] as const) : (['ink'] as const)).map((one) => (
          <label key={one} className="row" style={{ gap: 6 }}>
            <input type="radio" name="weighed" checked={of === one} onChange={() => setOf(one)} />
            {one}
          </label>
        ))}
      </fieldset>
      <div className="row" style={{ gap: 8, flexWrap: 'nowrap' }}>
        <TextField
          size="small"
          label="Before, g"
          value={before}
          onChange={(event) => setBefore(event.target.value)}
        />
        <TextField
          size="small"
          label="After, g"
          value={after}
          onChange={(event) => setAfter(event.target.value)}
        />
        <Button size="small" variant="outlined" disabled={!isReady || isLoading} onClick={() => void send()}>
          Keep
        </Button>
      </div>
      {error && (
        <p className="field-problem" role="alert">
          {problemMessage(error)}
        </p>
      )}
      <ul className="small">
        {laydowns.map(({ material, weighings, amounts }) => (
          <li key={material}>
            <strong>{material}</strong>
            {weighings === 0
              ? ', assumed: '
              : `, weighed ${weighings} ${weighings === 1 ? 'time' : 'times'}: `}
            {amounts
              .map(({ what, unit, value, sd, assumed }) =>
                weighings === 0
                  ? `${what} ${assumed} ${unit}`
                  : `${what} ${value.toFixed(1)} ± ${sd.toFixed(1)} ${unit} (assumed ${assumed})`,
              )
              .join(', ')}
          </li>
        ))}
      </ul>
    </section>
  );
}
