import { BENCH_QUESTIONS, benchVariants } from '@saltflat/core/heat';
import type { BenchQuestion, BenchStack, OperationHeat } from '@saltflat/core/heat';
import { useState } from 'react';
import { keepDraft, readDraft } from '../../../form/index.ts';
import { Button, Note, Panel, Row, SelectField, Split, Stack, Tabs } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { BenchChart } from './BenchChart.tsx';
import { BenchNotes } from './BenchNotes.tsx';
import { BenchDoses } from './BenchDoses.tsx';
import { BenchStackForm } from './BenchStackForm.tsx';
import { QUESTIONS, STACK_NAMES } from './benchWords.ts';
import { problemsOf } from './benchProblems.ts';
import { useBench } from './useBench.ts';
import type { Variant } from './variant.ts';

interface BenchState {
  question: BenchQuestion;
  variants: Variant[];
}

const DRAFT = 'saltflat.bench';
const MOST = 4;

const asked = (question: BenchQuestion): BenchState => ({
  question,
  variants: benchVariants(question).map(({ name, stack }) => ({ name: STACK_NAMES[name], stack })),
});

const keptState = (): BenchState => readDraft<BenchState>(sessionStorage, DRAFT)?.values ?? asked('mat');

interface Props {
  /** A route's stack that is brought along, in place of what was here; `null` where none is. */
  brought: Variant | null;
  /** Where the stack that is looked at is tried in a line's route. */
  onTryInRoute: (stack: BenchStack) => void;
  /** Notes, and what is done with them. */
  notes: Omit<React.ComponentProps<typeof BenchNotes>, 'variants' | 'onOpen'>;
}

/** A free what-if: up to four stacks on one chart, each to be changed layer by layer. */
export function Bench({ brought, onTryInRoute, notes }: Props) {
  const [state, setState] = useState<BenchState>(() =>
    brought === null ? keptState() : { question: keptState().question, variants: [brought] },
  );
  const [chosen, setChosen] = useState(0);
  const put = (next: BenchState): void => {
    setState(next);
    keepDraft(sessionStorage, DRAFT, { version: 1, values: next });
  };
  const { variants } = state;
  const at = Math.min(chosen, variants.length - 1);
  const variant = variants[at];
  const heats = useBench(variants.map(({ stack }) => stack));
  const change = (own: Variant): void =>
    put({ ...state, variants: variants.map((other, i) => (i === at ? own : other)) });
  const add = (): void => {
    if (!variant) return;
    put({ ...state, variants: [...variants, { ...variant, name: `${variant.name} 2` }] });
    setChosen(variants.length);
  };
  const remove = (): void => put({ ...state, variants: variants.filter((_, i) => i !== at) });
  const open = (opened: readonly Variant[]): void => {
    put({ ...state, variants: [...opened] });
    setChosen(0);
  };
  const known = heats.filter((own): own is OperationHeat => own !== null);
  return (
    <Stack gap={12} pad="12px 0 24px">
      <Row gap={12} align="end">
        <div style={{ width: 320 }}>
          <SelectField
            label={t('Begin with a question')}
            value={state.question}
            options={BENCH_QUESTIONS.map((value) => ({ value, label: QUESTIONS[value] }))}
            onChange={(question) => {
              put(asked(question));
              setChosen(0);
            }}
          />
        </div>
        <Button onClick={() => put(asked(state.question))}>{t('As the question has it')}</Button>
        <Button onClick={add} disabled={variants.length >= MOST}>
          {t('Add one like this')}
        </Button>
        <Button onClick={remove} disabled={variants.length < 2}>
          {t('Take this one away')}
        </Button>
        <Button onClick={() => variant && onTryInRoute(variant.stack)} disabled={!variant}>
          {t('Try it in a route')}
        </Button>
      </Row>
      <Split columns="minmax(340px, 480px) minmax(0, 1fr)" below={1000}>
        <Panel as="div">
          <Tabs
            label={t('Stacks')}
            tabs={variants.map(({ name }, i) => ({ value: String(i), label: name }))}
            value={String(at)}
            onChange={(i) => setChosen(Number(i))}
          >
            {variant && (
              <BenchStackForm
                key={at}
                variant={variant}
                problems={problemsOf(variant.stack)}
                onChange={change}
              />
            )}
          </Tabs>
        </Panel>
        <Stack>
          <Panel label={t('Temperatures')} pad="12px 16px">
            <BenchChart variants={variants} heats={heats} />
          </Panel>
          <BenchDoses variants={variants} heats={heats} />
          {known.length < variants.length && (
            <Note tone="caution">
              {t('A stack with a figure that cannot be is left out until it is mended.')}
            </Note>
          )}
          <BenchNotes {...notes} variants={variants} onOpen={open} />
          <p className="muted small">
            {t('A model, calibrated on no press: no nearer than ±25 % on dwell. A wash test decides.')}
          </p>
        </Stack>
      </Split>
    </Stack>
  );
}
