import { t } from '../../words/index.ts';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { useLaydownsQuery, useWeighPrintMutation } from './preparationsApi.ts';
import { Button, NumberField, RadioField, Refusal, Row, Stack } from '../../ui/index.ts';

interface Props {
  lineId: string;
  /** Which of the line's prints. */
  print: string;
  hasPowder: boolean;
  by: string;
}

/** A print on the scale before and after: its laydowns are then fitted from what was weighed, not assumed. */
export function WeighPrint({ lineId, print, hasPowder, by }: Props) {
  const { data: laydowns = [] } = useLaydownsQuery();
  const [weigh, { isLoading, error }] = useWeighPrintMutation();
  const [of, setOf] = useState<'ink' | 'powder'>('ink');
  const [before, setBefore] = useState<number | null>(null);
  const [after, setAfter] = useState<number | null>(null);
  const send = async (): Promise<void> => {
    if (before === null || after === null) return;
    const done = await weigh({ lineId, print, of, beforeG: before, afterG: after, by });
    if (done.error) return;
    setBefore(null);
    setAfter(null);
  };
  return (
    <Stack as="section" aria-label={t('Weigh a print')} gap={8} pad="12px 16px">
      <h3>{t('Weigh a print of this line')}</h3>
      <p className="muted small">
        {t(
          'Weigh it, lay ink or powder on, weigh it again while wet. Assumed laydowns then give way to your own.',
        )}
      </p>
      <RadioField
        label={t('What was laid on')}
        isNameHidden
        value={of}
        options={(hasPowder ? (['ink', 'powder'] as const) : (['ink'] as const)).map((one) => ({
          value: one,
          label: one,
        }))}
        onChange={setOf}
      />
      <Row gap={8} isOneLine>
        <NumberField label={t('Before, g')} value={before} onChange={setBefore} />
        <NumberField label={t('After, g')} value={after} onChange={setAfter} />
        <Button isBusy={isLoading} disabled={before === null || after === null} onClick={() => void send()}>
          {t('Keep')}
        </Button>
      </Row>
      <Refusal
        words={error ? problemMessage(error) : ''}
        onRetry={() => void send()}
        isRetrying={isLoading}
      />
      <ul className="small">
        {laydowns.map(({ material, weighings, amounts }) => (
          <li key={material}>
            <strong>{material}</strong>
            {weighings === 0
              ? t(', assumed: ')
              : weighings === 1
                ? t(', weighed once: ')
                : t(', weighed {weighings} times: ', { weighings })}
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
    </Stack>
  );
}
