import type { PressPlate, PressureTest, PressureTestInput } from '@saltflat/contract';
import { TESTED_BY, pressureRefused, pressureTable } from '@saltflat/core/press';
import type { PressureTest as Tested, TestedBy } from '@saltflat/core/press';
import { compiled, useDraftForm } from '../../../form/index.ts';
import type { DraftForm } from '../../../form/index.ts';
import { useWords } from '../../../units/useWords.ts';
import {
  Button,
  FieldProblem,
  Form,
  IconButton,
  Note,
  NumberField,
  Panel,
  Row,
  SelectField,
  Split,
  Stack,
} from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { CheckFoot } from '../CheckFoot.tsx';
import { MarksTable } from './PressureView.tsx';
import { TESTS } from './pressureWords.ts';

/** What is being written: a figure may still be missing. */
interface PressureValues {
  marks: { mark: number | null; by: TestedBy; value: number | null }[];
  strip: Record<keyof NonNullable<Tested['strip']>, number | null>;
  cylinders: Record<keyof NonNullable<Tested['cylinders']>, number | null>;
  note: string;
  by: string;
}

const STRIP: { key: keyof PressureValues['strip']; label: string }[] = [
  { key: 'widthMm', label: t('Strip, wide, mm') },
  { key: 'lengthMm', label: t('Under the plate, mm') },
  { key: 'underKg', label: t('Weight on it, kg') },
  { key: 'pulledKg', label: t('Slid under it at, kg') },
];
const CYLINDERS: { key: keyof PressureValues['cylinders']; label: string }[] = [
  { key: 'count', label: t('Cylinders') },
  { key: 'boreMm', label: t('Piston, across, mm') },
];

const usesOf = (values: PressureValues, by: TestedBy): boolean => values.marks.some((own) => own.by === by);

/** A mark as it is sent: paper has no figure, whatever stood there before. */
const markSent = <M extends PressureValues['marks'][number]>({ value, ...own }: M) => ({
  ...own,
  value: TESTS[own.by].unit === null ? null : value,
});

/** Rows in which nothing stands are not sent, nor is what no mark was tested with. */
const documentOf = (values: PressureValues): object => ({
  marks: values.marks.filter(({ mark, value }) => mark !== null || value !== null).map(markSent),
  strip: usesOf(values, 'strip') ? values.strip : null,
  cylinders: usesOf(values, 'air') ? values.cylinders : null,
  note: values.note.trim(),
  by: values.by.trim(),
});
const FILLED = { check: compiled('press', 'pressure'), documentOf };

const isWhole = (own: object): boolean => Object.values(own).every((value) => value !== null);

/** The test as far as it is written, for the table beside it; `null` where too little is. */
function testedOf(values: PressureValues): Tested | null {
  const marks = values.marks.flatMap((own) =>
    own.mark === null || (own.value === null && TESTS[own.by].unit !== null)
      ? []
      : [{ ...markSent(own), mark: own.mark }],
  );
  if (marks.length === 0) return null;
  return {
    marks,
    strip: isWhole(values.strip) ? (values.strip as Tested['strip']) : null, // none is missing
    cylinders: isWhole(values.cylinders) ? (values.cylinders as Tested['cylinders']) : null,
  };
}

interface Props {
  press: PressPlate;
  /** Number of the newest test, 0 for none. */
  newest: number;
  who: string;
  send: (input: PressureTestInput) => Promise<{ data?: PressureTest; error?: unknown }>;
  onSent: (test: PressureTest) => void;
  onGiveUp: () => void;
}

/** A press's own pressure scale tested mark by mark. What is written stays through a reload. */
export function PressureForm({ press, newest, who, send, onSent, onGiveUp }: Props) {
  const filling: DraftForm<PressureValues, PressureTestInput> = useDraftForm<
    PressureValues,
    PressureTestInput,
    PressureTest
  >({
    draftKey: `saltflat.pressure.${press.id}`,
    current: {
      version: newest,
      values: {
        marks: [2, 5, 8].map((mark) => ({ mark, by: 'strip', value: null })),
        strip: { widthMm: 20, lengthMm: 100, underKg: 5, pulledKg: null },
        cylinders: { count: 1, boreMm: null },
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
  return (
    <Panel title={t('Pressure of {name}', { name: press.name })} pad="12px 16px 16px">
      <Form label={t('Pressure test')} onSubmit={filling.submit}>
        <Stack gap={14}>
          <How values={values} />
          <Split columns="minmax(420px, 620px) minmax(300px, 1fr)" below={1000}>
            <Stack gap={12}>
              {usesOf(values, 'strip') && (
                <Row gap={10} align="start">
                  {STRIP.map(({ key, label }) => (
                    <NumberField
                      key={key}
                      label={label}
                      width={130}
                      value={values.strip[key]}
                      problem={problems[`/strip/${key}`]}
                      onChange={(value) => form.setValue(`strip.${key}`, value)}
                    />
                  ))}
                </Row>
              )}
              {usesOf(values, 'air') && (
                <Row gap={10} align="start">
                  {CYLINDERS.map(({ key, label }) => (
                    <NumberField
                      key={key}
                      label={label}
                      width={150}
                      value={values.cylinders[key]}
                      problem={problems[`/cylinders/${key}`]}
                      onChange={(value) => form.setValue(`cylinders.${key}`, value)}
                    />
                  ))}
                </Row>
              )}
              <Marks
                marks={values.marks}
                problems={problems}
                onChange={(marks) => form.setValue('marks', marks)}
              />
            </Stack>
            <Found press={press} tested={testedOf(values)} />
          </Split>
          <CheckFoot
            by={values.by}
            note={values.note}
            onBy={(by) => form.setValue('by', by)}
            onNote={(note) => form.setValue('note', note)}
            problems={problems}
            refusal={filling.refusal || (problems['/marks'] ?? '')}
            isSending={filling.isSending}
            words={t('Keep the test')}
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

function How({ values }: { values: PressureValues }) {
  return (
    <Note tone="info">
      {usesOf(values, 'strip')
        ? t(
            'Press cold, pad in. Lay a strip of film under a known weight of its own size and pull it out by a luggage scale: that is the friction. Then lay the same strip between plate and pad, close at a mark, and pull until it slides. Three marks tell how the scale goes.',
          )
        : usesOf(values, 'air')
          ? t('An air press pushes with its gauge over its pistons: read the gauge at each mark, closed.')
          : t('Test at three marks at least: a low one, the usual one, a high one.')}
    </Note>
  );
}

interface MarksProps {
  marks: PressureValues['marks'];
  problems: Record<string, string>;
  onChange: (marks: PressureValues['marks']) => void;
}

/** A mark a row. */
function Marks({ marks, problems, onChange }: MarksProps) {
  const put = (i: number, own: Partial<PressureValues['marks'][number]>): void =>
    onChange(marks.map((mark, k) => (k === i ? { ...mark, ...own } : mark)));
  const sent = (i: number): number =>
    marks.slice(0, i).filter(({ mark, value }) => mark !== null || value !== null).length;
  return (
    <Stack gap={12}>
      {marks.map(({ mark, by, value }, i) => (
        <Row key={i} gap={8} align="start">
          <NumberField
            label={t('Mark {number}', { number: i + 1 })}
            width={90}
            value={mark}
            problem={problems[`/marks/${sent(i)}/mark`]}
            onChange={(next) => put(i, { mark: next })}
          />
          <div style={{ width: 210 }}>
            <SelectField
              label={t('Tested by')}
              value={by}
              options={TESTED_BY.map((own) => ({ value: own, label: TESTS[own].name }))}
              onChange={(next) => put(i, { by: next })}
            />
          </div>
          {TESTS[by].unit !== null && (
            <NumberField
              label={t('Read')}
              width={130}
              unit={TESTS[by].unit}
              value={value}
              problem={problems[`/marks/${sent(i)}/value`]}
              onChange={(next) => put(i, { value: next })}
            />
          )}
          <IconButton
            label={t('Take mark {number} out', { number: i + 1 })}
            onClick={() => onChange(marks.filter((_, k) => k !== i))}
          >
            ×
          </IconButton>
        </Row>
      ))}
      <div>
        <Button
          size="small"
          onClick={() => onChange([...marks, { mark: null, by: marks.at(-1)?.by ?? 'strip', value: null }])}
        >
          {t('Add a mark')}
        </Button>
      </div>
    </Stack>
  );
}

/** What has come out so far. */
function Found({ press, tested }: { press: PressPlate; tested: Tested | null }) {
  const words = useWords();
  if (tested === null)
    return <p className="muted small">{t('What the marks come to stands here once one is tested.')}</p>;
  const found = pressureTable(tested, press.plate);
  return (
    <Stack gap={6}>
      {found.ok ? (
        <MarksTable marks={found.marks} tested={tested.marks} />
      ) : found.why === 'falls' ? (
        <FieldProblem>{words(pressureRefused(found))}</FieldProblem>
      ) : (
        <p className="muted small">{words(pressureRefused(found))}</p>
      )}
    </Stack>
  );
}
