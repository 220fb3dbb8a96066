import type { Care, FilmPrinter } from '@saltflat/contract';
import type { RunLine } from '@saltflat/contract';
import { useState } from 'react';
import { useNotePlatenHeightMutation } from '../../../api/careApi.ts';
import { useMovePlatenMutation } from '../../../api/printersApi.ts';
import { useAttempt } from '../../../api/useAttempt.ts';
import { signedBy, useSignature } from '../../../person/personSlice.ts';
import { When } from '../../../units/Written.tsx';
import { Button, Note, Refusal, Row, Stack } from '../../../ui/index.ts';
import { rich, t } from '../../../words/index.ts';

interface Props {
  printer: FilmPrinter;
  care: Care | undefined;
  line: Pick<RunLine, 'style'>;
  /** The print lies over a pocket: that stands higher than the same garment without. */
  isOverPocket: boolean;
  /** It was set, and is kept. */
  onSet: () => void;
}

/** The platen of a direct printer: up until its sensor objects, down until it does not; kept for the kind of garment. */
export function PlatenGuide({ printer, care, line: { style: garment }, isOverPocket, onSet }: Props) {
  const { machineId, platen } = printer;
  const by = useSignature();
  const [hasObjected, setObjected] = useState(false);
  const [move] = useMovePlatenMutation();
  const [keep] = useNotePlatenHeightMutation();
  const attempt = useAttempt();
  if (platen === null) return null;
  const { step, isObjecting } = platen;
  const own = (care?.platens ?? []).filter((known) => known.machineId === machineId);
  const known = own.find(({ input }) => input.garment === garment && input.isOverPocket === isOverPocket);
  const [last] = [...own].sort((p, q) => q.at.localeCompare(p.at));
  const go = (steps: number): void =>
    void attempt.make(
      'move',
      () => move({ machineId, by: steps }),
      (now) => now.platen?.isObjecting === true && setObjected(true),
    );
  return (
    <Stack gap={8} role="group" aria-label={t('Platen’s height')}>
      <span>
        {known
          ? rich('Platen for {garment}: step {step}, set by {by} {at}.', {
              garment,
              step: known.input.step,
              by: signedBy(known.input.by),
              at: <When at={known.at} as="day" />,
            })
          : t('Nobody has set the platen for {garment} here yet.', {
              garment: isOverPocket ? t('{garment} over its pocket', { garment }) : garment,
            })}{' '}
        {last && last !== known && (
          <span className="muted">{t('It was set for {other} last.', { other: last.input.garment })}</span>
        )}
      </span>
      <Row gap={8}>
        <Button size="small" isBusy={attempt.isBusy('move')} onClick={() => go(1)}>
          {t('One up')}
        </Button>
        <Button size="small" disabled={step === 0} isBusy={attempt.isBusy('move')} onClick={() => go(-1)}>
          {t('One down')}
        </Button>
        {known && known.input.step !== step && (
          <Button size="small" isBusy={attempt.isBusy('move')} onClick={() => go(known.input.step - step)}>
            {t('Go to step {step}', { step: known.input.step })}
          </Button>
        )}
        <span role="status" style={{ minWidth: 220 }}>
          {isObjecting
            ? t('■ step {step}: the sensor objects', { step })
            : t('● step {step}: the sensor is quiet', { step })}
        </span>
        <Button
          size="small"
          look={hasObjected && !isObjecting ? 'primary' : 'second'}
          disabled={isObjecting}
          isBusy={attempt.isBusy('keep')}
          onClick={() =>
            void attempt.make(
              'keep',
              () => keep({ machineId, input: { garment, isOverPocket, step, by } }),
              onSet,
            )
          }
        >
          {t('Keep this height')}
        </Button>
      </Row>
      <Note tone={isObjecting ? 'alarm' : 'info'}>
        {isObjecting
          ? t('Too high: the head would strike. Down until it is quiet, one step or two.')
          : hasObjected || known?.input.step === step
            ? t('As high as the head bears: sharp edges.')
            : t('Up until it objects, then down until it does not. Too low prints soft, dusty edges.')}
      </Note>
      <Refusal {...attempt.refusal('move')} />
      <Refusal {...attempt.refusal('keep')} />
    </Stack>
  );
}
