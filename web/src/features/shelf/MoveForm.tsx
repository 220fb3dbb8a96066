import type { ShelfMoveInput, ShelfPacket } from '@saltflat/contract';
import { useMemo } from 'react';
import { Controller } from 'react-hook-form';
import { FilledText, compiled, useFilled } from '../../form/index.ts';
import { Button, Form, Note, NumberField, Refusal, Row, SelectField, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { rightsCaution } from './shelfWords.ts';

type ByHand = Extract<ShelfMoveInput['kind'], 'sold' | 'thrown' | 'counted'>;
interface Values {
  kind: ByHand;
  pieces: number | null;
  why: string;
}

const KINDS: readonly { value: ByHand; label: string }[] = [
  { value: 'counted', label: t('Counted: so many lie there') },
  { value: 'thrown', label: t('Thrown away') },
  { value: 'sold', label: t('Sold as transfers') },
];

interface Props {
  packet: ShelfPacket;
  by: string;
  onMove: (move: ShelfMoveInput) => Promise<{ data?: unknown; error?: unknown }>;
}

/** What became of a packet otherwise than on the floor. */
export function MoveForm({ packet, by, onMove }: Props) {
  const filling = useFilled<Values, ShelfMoveInput, unknown>({
    filled: useMemo(
      () => ({
        check: compiled('shelf', 'move'),
        documentOf: ({ kind, pieces, why }: Values) => ({ kind, pieces, lineId: null, why: why.trim(), by }),
      }),
      [by],
    ),
    values: { kind: 'counted', pieces: null, why: '' },
    send: onMove,
    onSent: () => filling.form.reset(),
  });
  const caution = filling.form.watch('kind') === 'sold' ? rightsCaution(packet.rights) : null;
  const { control } = filling.form;
  return (
    <Form gap={10} onSubmit={filling.submit}>
      <Row gap={10} align="start">
        <Controller
          control={control}
          name="kind"
          render={({ field: { value, onChange } }) => (
            <SelectField
              label={t('What happened')}
              width={230}
              value={value}
              options={KINDS}
              onChange={onChange}
            />
          )}
        />
        <Controller
          control={control}
          name="pieces"
          render={({ field: { value, onChange } }) => (
            <NumberField
              label={t('Transfers')}
              width={110}
              value={value}
              problem={filling.problems['/pieces']}
              onChange={onChange}
            />
          )}
        />
        <FilledText filling={filling} name="why" label={t('Why, if there is more to say')} width={250} />
      </Row>
      {caution !== null && <Note tone="caution">{caution}</Note>}
      <Stack gap={6}>
        <Row gap={8}>
          <Button type="submit" isBusy={filling.isSending}>
            {t('Write it down')}
          </Button>
        </Row>
        <Refusal words={filling.refusal} />
      </Stack>
    </Form>
  );
}
