import type { Device, PressPlate, Survey, SurveyInput } from '@saltflat/contract';
import { pastEdge, readPasted, seenMm, spotsFor } from '@saltflat/core/press';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import { useEffect, useState } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { compiled, useDraftForm } from '../../../form/index.ts';
import type { DraftForm } from '../../../form/index.ts';
import { useDevice } from '../../../api/liveSlice.ts';
import { serverNow } from '../../../api/serverClock.ts';
import { useUnits } from '../../../units/writingSlice.ts';
import {
  Button,
  Fold,
  Form,
  Note,
  NumberField,
  Panel,
  QuantityField,
  Row,
  SelectField,
  Stack,
  TextField,
  useNow,
} from '../../../ui/index.ts';
import { rich, t } from '../../../words/index.ts';
import { CheckFoot } from '../CheckFoot.tsx';
import { spotName } from './spotName.ts';

/** What is being written: a reading may still be missing. */
type SurveyValues = Omit<SurveyInput, 'readings'> & {
  readings: { xMm: number; yMm: number; readC: number | null }[];
};

/** Spots nobody has read yet are not sent. */
const FILLED = {
  check: compiled('press', 'survey'),
  documentOf: (values: SurveyValues): unknown => ({
    ...values,
    by: values.by.trim(),
    note: values.note.trim(),
    readings: values.readings.filter(({ readC }) => readC !== null),
  }),
};

const READ_OFF = [
  { value: 'sponge-pad', label: t('A matt sponge pad') },
  { value: 'solid-pad', label: t('A solid silicone pad') },
  { value: 'plate', label: t('The bare plate') },
] as const;

interface Props {
  press: PressPlate;
  /** Number of the newest survey, 0 for none. */
  newest: number;
  who: string;
  send: (input: SurveyInput) => Promise<{ data?: Survey; error?: unknown }>;
  onSent: (survey: Survey) => void;
  onGiveUp: () => void;
}

/** A plate measured spot by spot: closed, opened, read at once, the next. What is written stays through a reload. */
export function SurveyForm({ press, newest, who, send, onSent, onGiveUp }: Props) {
  const { plate: size } = press;
  const filling: DraftForm<SurveyValues, SurveyInput> = useDraftForm<SurveyValues, SurveyInput, Survey>({
    draftKey: `saltflat.survey.${press.id}`,
    current: {
      version: newest,
      values: {
        setC: 160,
        readOff: 'sponge-pad',
        closedS: 60,
        lateS: 1,
        roomC: 24,
        readings: spotsFor(size).map((spot) => ({ ...spot, readC: null })),
        note: '',
        by: who,
      },
    },
    filled: FILLED,
    send: (input) => send(input),
    onSent,
  });
  const { form, problems } = filling;
  const readings = form.watch('readings');
  const next = readings.findIndex(({ readC }) => readC === null);
  const put = (i: number, readC: number | null): void =>
    form.setValue(
      'readings',
      readings.map((own, k) => (k === i ? { ...own, readC } : own)),
    );
  const count = readings.filter(({ readC }) => readC !== null).length;
  return (
    <Panel title={t('Survey of {name}', { name: press.name })} pad="12px 16px 16px">
      <Form label={t('Survey')} onSubmit={filling.submit}>
        <Stack gap={14}>
          <How form={form} problems={problems} size={size} />
          <Guide
            next={next}
            all={readings.length}
            name={next < 0 ? '' : spotName(readings[next] ?? { xMm: 0, yMm: 0 }, size)}
            closedS={form.watch('closedS')}
            isBare={form.watch('readOff') === 'plate'}
            onTake={(readC) => put(next, readC)}
          />
          <Spots readings={readings} size={size} problems={problems} onRead={put} />
          <Paste
            onPaste={(text) => {
              const pasted = readPasted(text, readings);
              if (pasted.ok) form.setValue('readings', withRest(pasted.readings, readings));
              return pasted.ok ? '' : pasted.problem;
            }}
          />
          <CheckFoot
            by={form.watch('by')}
            note={form.watch('note')}
            onBy={(by) => form.setValue('by', by)}
            onNote={(note) => form.setValue('note', note)}
            problems={problems}
            refusal={filling.refusal || (problems['/readings'] ?? '')}
            isSending={filling.isSending}
            words={t('Keep the survey, {count} of {all} spots', { count, all: readings.length })}
            onGiveUp={() => {
              filling.startAgain();
              onGiveUp();
            }}
          />
        </Stack>
      </Form>
    </Panel>
  );
}

/** What was pasted in the order of the spots leaves those after it as they are; what brings its own places takes all. */
function withRest(
  pasted: SurveyInput['readings'],
  before: SurveyValues['readings'],
): SurveyValues['readings'] {
  const isInOrder = pasted.every(({ xMm, yMm }, i) => before[i]?.xMm === xMm && before[i]?.yMm === yMm);
  return isInOrder ? [...pasted, ...before.slice(pasted.length)] : pasted;
}

interface HowProps {
  form: UseFormReturn<SurveyValues, unknown, SurveyInput>;
  problems: Record<string, string>;
  size: { widthMm: number; heightMm: number };
}

/** How it is read, and what the thermometer sees from where it is held. */
function How({ form, problems, size }: HowProps) {
  const system = useUnits();
  const [distanceMm, setDistance] = useState<number | null>(150);
  const [ratio, setRatio] = useState<number | null>(12);
  const readOff = form.watch('readOff');
  const diameterMm = seenMm(distanceMm ?? 150, ratio ?? 12);
  const past = pastEdge(form.watch('readings'), size, diameterMm);
  const quantity = (name: 'setC' | 'roomC' | 'closedS' | 'lateS', label: string) => (
    <QuantityField
      label={label}
      kind={name === 'setC' || name === 'roomC' ? 'temperature' : 'duration'}
      system={system}
      value={form.watch(name)}
      usual={name === 'roomC' ? 24 : null}
      problem={problems[`/${name}`]}
      onChange={(value) => value !== null && form.setValue(name, value)}
    />
  );
  return (
    <>
      <Row gap={12} align="start">
        {quantity('setC', t('What the display says'))}
        <div style={{ width: 230 }}>
          <SelectField
            label={t('Read off')}
            value={readOff}
            options={READ_OFF}
            onChange={(value) => form.setValue('readOff', value)}
          />
        </div>
        {quantity('closedS', t('Closed for'))}
        {quantity('lateS', t('Read after opening'))}
        {quantity('roomC', t('Room'))}
      </Row>
      <Row gap={12} align="start">
        <NumberField
          label={t('Thermometer held at, mm')}
          value={distanceMm}
          onChange={setDistance}
          width={190}
        />
        <NumberField
          label={t('Its distance to spot, 12 for 12 : 1')}
          value={ratio}
          onChange={setRatio}
          width={230}
        />
        <p className="muted small" style={{ alignSelf: 'center' }}>
          {t('It sees a spot of {diameter} mm.', { diameter: Math.round(diameterMm) })}
        </p>
      </Row>
      {past.length > 0 && (
        <Note tone="caution">
          {t('From there it sees past the plate’s edge at {count} spots: hold it nearer.', {
            count: past.length,
          })}
        </Note>
      )}
      {readOff === 'plate' && (
        <Note tone="caution">
          {t(
            'Bare metal reads many degrees too cold to a thermometer without contact: tape or a matt patch on it, or a probe.',
          )}
        </Note>
      )}
    </>
  );
}

interface GuideProps {
  /** Index of the next spot; below 0 when all are read. */
  next: number;
  all: number;
  name: string;
  closedS: number;
  isBare: boolean;
  /** Takes what the thermometer says for the next spot. */
  onTake: (readC: number) => void;
}

/** What to do now: one spot after the other, with a countdown of the closing. */
function Guide({ next, all, name, closedS, isBare, onTake }: GuideProps) {
  const system = useUnits();
  const thermometer = useDevice('thermometer');
  const [fromMs, setFrom] = useState<number | null>(null);
  const now = useNow(serverNow);
  useEffect(() => setFrom(null), [next]);
  if (next < 0) return <Note tone="info">{t('● Every spot is read.')}</Note>;
  const left = fromMs === null ? null : Math.ceil(closedS - (now - fromMs) / 1000);
  return (
    <Note tone="info">
      <Row justify="space-between" gap={12}>
        <span>
          {rich('{first}Spot {next} of {all}: {name}. {what}', {
            first: next === 0 ? t('Warm up until the lamp has cycled for twenty minutes. ') : '',
            next: next + 1,
            all,
            name: <strong>{name}</strong>,
            what: isBare
              ? t('Read it.')
              : left === null
                ? t('Close on the pad, for {closed} s.', { closed: closedS })
                : left > 0
                  ? t('Closed: {left} s to go.', { left })
                  : t('◆ Open, and read at once.'),
          })}
        </span>
        <Row gap={8}>
          {!isBare && (
            <Button onClick={() => setFrom(now)}>
              {fromMs === null ? t('It is closed') : t('Closed again')}
            </Button>
          )}
          <TakeReading thermometer={thermometer} system={system} onTake={onTake} />
        </Row>
      </Row>
    </Note>
  );
}

/** What the thermometer says now, one press away. */
function TakeReading({
  thermometer,
  system,
  onTake,
}: {
  thermometer: Device | undefined;
  system: UnitSystem;
  onTake: (readC: number) => void;
}) {
  if (thermometer === undefined) return null;
  const { value, fault } = thermometer;
  if (value === null) return <span className="small">{fault ?? t('The thermometer sends nothing.')}</span>;
  return (
    <Button look="primary" onClick={() => onTake(value)}>
      {t('Take {reading}', { reading: formatQuantity(value, 'temperature', system, 1) })}
    </Button>
  );
}

interface SpotsProps {
  readings: SurveyValues['readings'];
  size: { widthMm: number; heightMm: number };
  problems: Record<string, string>;
  onRead: (i: number, readC: number | null) => void;
}

/** The spots as they lie on the plate, its back at the top. */
function Spots({ readings, size, problems, onRead }: SpotsProps) {
  const system = useUnits();
  const columns = new Set(readings.map(({ xMm }) => xMm)).size;
  const sent = readings.map(({ readC }, i) =>
    readC === null ? -1 : readings.slice(0, i).filter((own) => own.readC !== null).length,
  );
  return (
    <div
      role="group"
      aria-label={t('Readings, the back of the plate at the top')}
      style={{ display: 'grid', gridTemplateColumns: `repeat(${columns}, minmax(120px, 170px))`, gap: 8 }}
    >
      {readings.map(({ xMm, yMm, readC }, i) => (
        <QuantityField
          key={`${xMm}/${yMm}`}
          label={t('{number} {name}', { number: i + 1, name: spotName({ xMm, yMm }, size) })}
          kind="temperature"
          system={system}
          value={readC}
          usual={140}
          mayBeEmpty
          problem={problems[`/readings/${sent[i] ?? -1}/readC`]}
          onChange={(value) => onRead(i, value)}
        />
      ))}
    </div>
  );
}

/** Readings out of a table or a logger. @param onPaste takes them in; a sentence when they cannot be read */
function Paste({ onPaste }: { onPaste: (text: string) => string }) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState('');
  return (
    <Fold title={t('Paste readings')}>
      <Stack gap={8}>
        <TextField
          label={t('One a line: °C in the order of the spots, or from the left, from the back, °C')}
          value={text}
          lines={5}
          onChange={setText}
          problem={problem || undefined}
        />
        <Row>
          <Button onClick={() => setProblem(onPaste(text))} disabled={text.trim() === ''}>
            {t('Take them in')}
          </Button>
        </Row>
      </Stack>
    </Fold>
  );
}
