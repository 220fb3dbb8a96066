import type { Material, SprayWeighing, SprayWeighingInput } from '@saltflat/contract';
import { amountSlip, sprayedOn } from '@saltflat/core/spray';
import type { SprayerDial } from '@saltflat/core/route';
import { formatQuantity } from '@saltflat/core/units';
import type { UseFormReturn } from 'react-hook-form';
import { useDevice, useMeasuredRoom } from '../../../api/liveSlice.ts';
import { compiled, useDraftForm } from '../../../form/index.ts';
import type { DraftForm } from '../../../form/index.ts';
import { useUnits } from '../../../units/writingSlice.ts';
import {
  Button,
  Form,
  Note,
  NumberField,
  Panel,
  QuantityField,
  Refusal,
  Row,
  SelectField,
  Stack,
  TextField,
  ToggleField,
} from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import type { ShownSprayer } from '../sprayers.ts';

/** What is being written: a figure may still be missing. */
type Values = Omit<SprayWeighingInput, 'setting' | 'beforeG' | 'afterG'> &
  Record<'setting' | 'beforeG' | 'afterG', number | null>;

const FILLED = {
  check: compiled('spray', 'weighing'),
  documentOf: (values: Values): unknown => ({
    ...values,
    by: values.by.trim(),
    nozzle: values.nozzle.trim(),
  }),
};

interface Props {
  sprayer: ShownSprayer;
  setting: SprayerDial;
  fluids: readonly Material[];
  fluidId: string;
  /** What to set for the next one. */
  suggested: number | null;
  /** What was weighed last: its area stands for the next. */
  last: SprayWeighing | null;
  who: string;
  send: (input: SprayWeighingInput) => Promise<{ data?: SprayWeighing; error?: unknown }>;
  onSent: (weighing: SprayWeighing) => void;
  onGiveUp: () => void;
}

/** A garment weighed, sprayed and weighed again. What is written stays through a reload. */
export function WeighingForm(props: Props) {
  const { sprayer, setting, fluids, last } = props;
  const room = useMeasuredRoom();
  const filling: DraftForm<Values, SprayWeighingInput> = useDraftForm<
    Values,
    SprayWeighingInput,
    SprayWeighing
  >({
    draftKey: `saltflat.spray-weighing.${sprayer.id}`,
    current: {
      version: 0,
      values: {
        fluidId: props.fluidId,
        nozzle: sprayer.nozzle,
        setting: props.suggested,
        passes: last?.input.passes ?? 1,
        widthMm: last?.input.widthMm ?? 350,
        heightMm: last?.input.heightMm ?? 400,
        beforeG: null,
        afterG: null,
        elapsedS: last?.input.elapsedS ?? 30,
        ...room,
        by: props.who,
      },
    },
    filled: FILLED,
    send: (input) => props.send(input),
    onSent: props.onSent,
  });
  const { form, problems } = filling;
  const values = form.watch();
  return (
    <Panel title={t('Weigh a garment')} pad="12px 16px 16px">
      <Form label={t('Weighing')} onSubmit={filling.submit}>
        <Stack gap={18}>
          <Note tone="info">
            {t(
              'Weigh it dry, spray it as set, weigh it again at once. Gloves and eyes: pretreatment irritates; keep the mist off printers and powder.',
            )}
          </Note>
          <Row gap={12} align="start">
            <div style={{ width: 200 }}>
              <SelectField
                label={t('Fluid')}
                value={values.fluidId}
                options={fluids.map(({ id, name }) => ({ value: id, label: name }))}
                onChange={(id) => form.setValue('fluidId', id)}
              />
            </div>
            <TextField
              label={t('Nozzle')}
              width={140}
              value={values.nozzle}
              problem={problems['/nozzle']}
              onChange={(text) => form.setValue('nozzle', text)}
            />
            <NumberField
              label={setting.name}
              width={130}
              value={values.setting}
              problem={problems['/setting']}
              onChange={(own) => form.setValue('setting', own)}
            />
            <ToggleField
              label={t('Passes')}
              value={String(values.passes)}
              options={[
                { value: '1', label: t('one') },
                { value: '2', label: t('out and back') },
              ]}
              onChange={(own) => form.setValue('passes', Number(own))}
            />
          </Row>
          <Sprayed form={form} problems={problems} />
          <Scales form={form} problems={problems} />
          <Found values={values} />
          <Row gap={12} align="start">
            <TextField
              label={t('Who')}
              width={160}
              value={values.by}
              problem={problems['/by']}
              onChange={(by) => form.setValue('by', by)}
            />
          </Row>
          <Refusal words={filling.refusal} />
          <Row gap={8}>
            <Button look="primary" type="submit" isBusy={filling.isSending}>
              {t('Keep the weighing')}
            </Button>
            <Button
              onClick={() => {
                filling.startAgain();
                props.onGiveUp();
              }}
            >
              {t('Give it up')}
            </Button>
          </Row>
        </Stack>
      </Form>
    </Panel>
  );
}

interface PartProps {
  form: UseFormReturn<Values, unknown, SprayWeighingInput>;
  problems: Record<string, string>;
}

/** The area, the wait and the room. */
function Sprayed({ form, problems }: PartProps) {
  const system = useUnits();
  const field = (name: 'widthMm' | 'heightMm' | 'elapsedS', kind: 'length' | 'duration', label: string) => (
    <QuantityField
      label={label}
      kind={kind}
      system={system}
      value={form.watch(name)}
      usual={name === 'elapsedS' ? 30 : null}
      problem={problems[`/${name}`]}
      onChange={(value) => value !== null && form.setValue(name, value)}
    />
  );
  return (
    <Row gap={12} align="start">
      {field('widthMm', 'length', t('Sprayed, wide'))}
      {field('heightMm', 'length', t('Sprayed, high'))}
      {field('elapsedS', 'duration', t('Weighed after'))}
      <QuantityField
        label={t('Room')}
        kind="temperature"
        system={system}
        value={form.watch('roomC')}
        usual={23}
        mayBeEmpty
        problem={problems['/roomC']}
        onChange={(value) => form.setValue('roomC', value)}
      />
      <QuantityField
        label={t('Humidity')}
        kind="share"
        system={system}
        value={form.watch('humidity')}
        mayBeEmpty
        problem={problems['/humidity']}
        onChange={(value) => form.setValue('humidity', value)}
      />
    </Row>
  );
}

/** Both weights, typed or straight off the scale. */
function Scales({ form, problems }: PartProps) {
  const system = useUnits();
  const scale = useDevice('scale');
  const read = scale?.isStable ? scale.value : null;
  const weight = (name: 'beforeG' | 'afterG', label: string, words: string) => (
    <Row gap={6} align="start">
      <QuantityField
        label={label}
        kind="mass"
        system={system}
        value={form.watch(name)}
        problem={problems[`/${name}`]}
        onChange={(value) => form.setValue(name, value)}
      />
      <div style={{ paddingTop: 4 }}>
        <Button size="small" disabled={read === null} onClick={() => form.setValue(name, read)}>
          {words}
        </Button>
      </div>
    </Row>
  );
  return (
    <Stack gap={6}>
      <Row gap={16} align="start">
        {weight('beforeG', t('Before'), t('Off the scale'))}
        {weight('afterG', t('After'), t('Off the scale now'))}
      </Row>
      {scale?.fault && <Note tone="alarm">{scale.fault}</Note>}
      {scale && !scale.fault && (
        <p className="muted small">
          {scale.isStable
            ? t('The scale reads {grams}.', { grams: formatQuantity(scale.value ?? 0, 'mass', system, 1) })
            : t('The scale is settling …')}
        </p>
      )}
    </Stack>
  );
}

/** What that comes to, and whether it can be. */
function Found({ values }: { values: Values }) {
  const { beforeG, afterG } = values;
  if (beforeG === null || afterG === null) return null;
  if (afterG <= beforeG) return <Note tone="alarm">{t('After must weigh more than before.')}</Note>;
  const { gm2, evapG } = sprayedOn({ ...values, beforeG, afterG });
  const is = formatQuantity(Math.round(gm2), 'arealMass');
  const slip = amountSlip(gm2);
  if (slip === 'ounces?')
    return (
      <Note tone="alarm">
        {t('That is {is}: were the weights typed in ounces? They are taken as grams.', { is })}
      </Note>
    );
  if (slip === 'implausible')
    return <Note tone="alarm">{t('That is {is}, which no garment takes: is the area right?', { is })}</Note>;
  return (
    <p>
      {t('That is {is} on the garment; {evap} g dried off before it was weighed.', {
        is,
        evap: evapG.toFixed(2),
      })}
    </p>
  );
}
