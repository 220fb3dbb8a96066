import type { Calibration, CalibrationInput, PressPlate } from '@saltflat/contract';
import { benchVariants, placesIn } from '@saltflat/core/heat';
import type { BenchStack } from '@saltflat/core/heat';
import { useMemo } from 'react';
import { formatQuantity } from '@saltflat/core/units';
import { useUnits } from '../../../units/writingSlice.ts';
import { compiled, useDraftForm } from '../../../form/index.ts';
import type { DraftForm } from '../../../form/index.ts';
import { Fold, Form, NumberField, Panel, SelectField, Split, Stack } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { CheckFoot } from '../CheckFoot.tsx';
import { StackFields } from '../bench/BenchStackForm.tsx';
import { problemsOf } from '../bench/benchProblems.ts';
import { CalibrationFound } from './CalibrationFound.tsx';
import { LoggerPart } from './LoggerPart.tsx';
import { RecipesPart } from './RecipesPart.tsx';
import { StripsPart } from './StripsPart.tsx';
import { documentOf, measuredOf } from './calibrationDraft.ts';
import type { CalibrationValues } from './calibrationDraft.ts';
import { useCalibrated } from './useCalibrated.ts';

const FILLED = { check: compiled('press', 'calibration'), documentOf };

/** Stacks that are usually measured. */
const LIKE = {
  parchment: { label: t('Transfer on a tee, under parchment'), question: 'mat' },
  bare: { label: t('Transfer on a tee, bare'), question: 'mat' },
  'mat-parked': { label: t('Transfer on a tee, under a hot mat'), question: 'mat' },
  'form-cold': { label: t('Transfer on a cap'), question: 'lower' },
} as const;
type Like = keyof typeof LIKE;
const LIKES = Object.entries(LIKE).map(([value, { label }]) => ({ value: value as Like, label }));

/** @throws RangeError where the bench has no such stack */
function stackLike(like: Like): BenchStack {
  const found = benchVariants(LIKE[like].question).find(({ name }) => name === like);
  if (!found) throw new RangeError(`the bench has no “${like}”`);
  return found.stack;
}

interface Props {
  press: PressPlate;
  /** Number of the newest calibration, 0 for none. */
  newest: number;
  /** Of its plate above its display in the middle, by the newest survey, K; 0 where there is none. */
  plateOffsetC: number;
  who: string;
  send: (input: CalibrationInput) => Promise<{ data?: Calibration; error?: unknown }>;
  onSent: (calibration: Calibration) => void;
  onGiveUp: () => void;
}

/** One press cycle read from the inside, and recipes whose wash is known. What is written stays through a reload. */
export function CalibrationForm({ press, newest, plateOffsetC, who, send, onSent, onGiveUp }: Props) {
  const filling: DraftForm<CalibrationValues, CalibrationInput> = useDraftForm<
    CalibrationValues,
    CalibrationInput,
    Calibration
  >({
    draftKey: `saltflat.calibration.${press.id}`,
    current: {
      version: newest,
      values: {
        stack: stackLike('parchment'),
        plateOffsetC: Math.round(plateOffsetC),
        logged: null,
        strips: [],
        recipes: [],
        note: '',
        by: who,
      },
    },
    filled: FILLED,
    send: (input) => send(input),
    onSent,
  });
  const { form, problems } = filling;
  const values = form.watch();
  const stackProblems = problemsOf(values.stack);
  const isSound = Object.keys(stackProblems).length === 0;
  const places = useMemo(() => placesIn(values.stack), [values.stack]);
  const found = useCalibrated(isSound ? measuredOf(values) : null);
  return (
    <Panel title={t('Calibration of {name}', { name: press.name })} pad="12px 16px 16px">
      <Form label={t('Calibration')} onSubmit={filling.submit}>
        <Split columns="minmax(380px, 560px) minmax(320px, 1fr)" below={1000}>
          <Stack gap={12}>
            <StackPart values={values} form={form} problems={stackProblems} />
            <NumberField
              label={t('Plate above its display where the sensor lay, K')}
              value={values.plateOffsetC}
              problem={problems['/plateOffsetC']}
              onChange={(value) => form.setValue('plateOffsetC', value)}
            />
            <LoggerPart
              logged={values.logged}
              places={places}
              onChange={(logged) => form.setValue('logged', logged)}
            />
            <StripsPart
              strips={values.strips}
              places={places}
              problems={problems}
              onChange={(strips) => form.setValue('strips', strips)}
            />
            <RecipesPart
              recipes={values.recipes}
              like={values.stack}
              problems={problems}
              onChange={(recipes) => form.setValue('recipes', recipes)}
            />
          </Stack>
          <Stack gap={12} style={{ position: 'sticky', top: 0, alignSelf: 'start' }}>
            <h3 className="small">{t('What it comes to')}</h3>
            {found === null ? (
              <p className="muted small">
                {t(
                  'A logger’s course, a strip’s reading or a recipe put in on the left shows here what it tells.',
                )}
              </p>
            ) : (
              <CalibrationFound found={found} />
            )}
          </Stack>
        </Split>
        <CheckFoot
          by={values.by}
          note={values.note}
          onBy={(by) => form.setValue('by', by)}
          onNote={(note) => form.setValue('note', note)}
          problems={problems}
          refusal={filling.refusal || (problems['/channels'] ?? '')}
          isSending={filling.isSending}
          words={t('Keep the calibration')}
          onGiveUp={() => {
            filling.startAgain();
            onGiveUp();
          }}
        />
      </Form>
    </Panel>
  );
}

interface StackPartProps {
  values: CalibrationValues;
  form: DraftForm<CalibrationValues, CalibrationInput>['form'];
  problems: ReturnType<typeof problemsOf>;
}

/** What was pressed, as the display and the stack had it. */
function StackPart({ values, form, problems }: StackPartProps) {
  const system = useUnits();
  const { plateC, dwellS, kPa } = values.stack;
  return (
    <Fold
      title={t('1 The stack as it was pressed: {plate}, {dwell}, {pressure}', {
        plate: formatQuantity(plateC, 'temperature', system),
        dwell: formatQuantity(dwellS, 'duration', system),
        pressure: formatQuantity(kPa, 'pressure', system),
      })}
      isOpenAtFirst={Object.keys(problems).length > 0}
    >
      <Stack gap={12}>
        <SelectField
          label={t('Like')}
          value={LIKES.find(({ value }) => sameLayers(stackLike(value), values.stack))?.value ?? ''}
          options={[{ value: '', label: t('another stack') }, ...LIKES]}
          onChange={(like) => like !== '' && form.setValue('stack', stackLike(like))}
        />
        <StackFields
          stack={values.stack}
          problems={problems}
          onChange={(stack) => form.setValue('stack', stack)}
        />
      </Stack>
    </Fold>
  );
}

const sameLayers = (p: BenchStack, q: BenchStack): boolean =>
  JSON.stringify([p.layers, p.pad, p.mat]) === JSON.stringify([q.layers, q.pad, q.mat]);
