import { operationsInHeat, pressOf, solutionSaid, stackOf, waySaid, whatIfSaid } from '@saltflat/core/heat';
import type {
  Measure,
  OperationInHeat,
  PeelWindow,
  Sensitivity,
  Solution,
  SolveFor,
} from '@saltflat/core/heat';
import { plannedMode, settingFor } from '@saltflat/core/work';
import { doseWords, say } from '@saltflat/core/words';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { useWords } from '../../units/useWords.ts';
import {
  Button,
  FieldProblem,
  NumberField,
  Panel,
  Row,
  SelectField,
  SimpleTable,
  Stack,
} from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { heatTasks } from '../../worker/heatClient.ts';
import { useAnswer } from '../../worker/useAnswer.ts';
import type { RouteHeat } from './useHeat.ts';

const WANTED: Record<SolveFor, string> = {
  dwell: t('Shortest dwell'),
  temperature: t('Coolest plate'),
  bursts: t('Fewest closings'),
};

interface Props {
  heat: RouteHeat;
  /** Tries a value in the route; `null` where it stays as it is. */
  onTry: ((own: { operation: string; setting: string; value: number }) => void) | null;
}

/** Questions to the model about one operation: what if something were otherwise, and which setting would do. */
export function AskPanel({ heat, onTry }: Props) {
  const all = operationsInHeat(heat.asked, heat.conditions).map((own): OperationInHeat => ({
    ...own,
    startC: {},
  }));
  const [wished, setWished] = useState('');
  const chosen = all.find(({ operation }) => operation.id === wished) ?? usualOf(all);
  if (chosen === undefined) return null;
  const stack = stackOf(chosen.operation, heat.conditions.mat);
  return (
    <Panel title={t('Ask the model')} pad="8px 16px 12px">
      <Stack gap={12}>
        <SelectField
          label={t('About')}
          value={chosen.operation.id}
          options={all.map(({ operation }) => ({ value: operation.id, label: t(operation.title) }))}
          onChange={setWished}
        />
        {stack !== null && (
          <Link
            to="/presses/bench"
            state={{ brought: { name: t(chosen.operation.title), stack } }}
            className="small"
          >
            {t('Open this stack on the bench')}
          </Link>
        )}
        <Solving key={chosen.operation.id} own={chosen} heat={heat} onTry={onTry} />
        <WhatIfs own={chosen} heat={heat} />
        {chosen.operation.role === 'bond' && <Peeling own={chosen} heat={heat} />}
      </Stack>
    </Panel>
  );
}

/** What is asked about first: the bond or the cure. */
const usualOf = (all: readonly OperationInHeat[]): OperationInHeat | undefined =>
  [...all].reverse().find(({ operation }) => operation.role === 'bond' || operation.role === 'cure') ??
  all[0];

interface Part {
  own: OperationInHeat;
  heat: RouteHeat;
}

/** What the model is worth on the operation's own press. */
const spreadFor = ({ operation }: OperationInHeat, { conditions }: RouteHeat): number =>
  pressOf(conditions, plannedMode(operation).machine?.id).spread;

function Solving({ own, heat, onTry }: Part & Pick<Props, 'onTry'>) {
  const words = useWords();
  const { operation } = own;
  const roles = (['dwell', 'temperature', 'bursts'] as const).filter((role) => settingFor(operation, role));
  const [role, setRole] = useState<SolveFor>(
    roles.includes('bursts') && operation.role === 'dry' ? 'bursts' : 'dwell',
  );
  const [margin, setMargin] = useState<number | null>(1.3);
  const [answer, setAnswer] = useState<{ solution: Solution | null; role: SolveFor } | null>(null);
  const isFit = margin !== null && margin >= 1 && margin <= 5;
  useEffect(() => setAnswer(null), [own, role, margin]);
  if (roles.length === 0) return null;
  const ask = async (): Promise<void> => {
    if (margin === null) return;
    const solution = await heatTasks.ask('solve', { own, conditions: heat.conditions, for: role, margin })
      .answer;
    setAnswer({ solution, role });
  };
  const setting = settingFor(operation, role);
  const solution = answer?.solution ?? null;
  return (
    <Stack gap={8}>
      <Row gap={8} align="end">
        <SelectField
          label={t('Look for')}
          value={role}
          options={roles.map((value) => ({ value, label: WANTED[value] }))}
          onChange={setRole}
        />
        <NumberField label={t('Margin')} value={margin} onChange={setMargin} width={90} />
        <Button look="primary" onClick={() => void ask()} disabled={!isFit}>
          {t('Solve')}
        </Button>
      </Row>
      {!isFit && <FieldProblem>{t('A margin is a number from 1 to 5; 1.3 to 2 is usual.')}</FieldProblem>}
      {answer !== null && (
        <div role="status">
          {solution === null ? (
            <p>{t('The heat of this operation is for nothing that the model measures.')}</p>
          ) : (
            <>
              <p>{words(solutionSaid(solution, answer.role, spreadFor(own, heat)))}</p>
              {!solution.isFound && solution.waysOut.length > 0 && (
                <>
                  <p className="muted small">{t('This would do:')}</p>
                  <ul style={{ listStyle: 'disc', paddingLeft: 20 }}>
                    {solution.waysOut.map((way) => (
                      <li key={way.what}>{words(waySaid(way, answer.role, spreadFor(own, heat)))}</li>
                    ))}
                  </ul>
                </>
              )}
              {!solution.isFound && solution.waysOut.length === 0 && (
                <p className="muted small">{t('No single change within the limits would do either.')}</p>
              )}
              {solution.isFound && onTry !== null && setting && solution.found.value !== setting.value && (
                <Button
                  onClick={() =>
                    onTry({ operation: operation.id, setting: setting.key, value: solution.found.value })
                  }
                >
                  {t('Try it in the route')}
                </Button>
              )}
            </>
          )}
        </div>
      )}
    </Stack>
  );
}

function WhatIfs({ own, heat }: Part) {
  const words = useWords();
  const { conditions } = heat;
  const found = useAnswer(
    () => heatTasks.ask('what-if', { own, conditions }).answer,
    [own.operation, conditions],
  );
  if (found === null || found.length === 0) return null;
  return (
    <SimpleTable<Sensitivity>
      label={t('What if')}
      columns={[
        { key: 'what', title: t('What if'), cell: ({ what }) => words(whatIfSaid(what)) },
        {
          key: 'value',
          title: t('It comes to'),
          isNumber: true,
          cell: ({ measure }) => measureWords(measure, spreadFor(own, heat)),
        },
      ]}
      rows={found}
      keyOf={({ what }) => what}
    />
  );
}

const measureWords = (measure: Measure, spread: number): string =>
  measure.kind === 'dose'
    ? `${doseWords(measure.value)} ± ${Math.round(100 * spread)} %`
    : t('about {gM2} g/m² left', { gM2: Math.round(measure.value) });

function Peeling({ own, heat }: Part) {
  const words = useWords();
  const { conditions } = heat;
  const found = useAnswer(
    () => heatTasks.ask('peel', { own, conditions }).answer,
    [own.operation, conditions],
  );
  const spread = spreadFor(own, heat);
  const hot = found?.find(({ on }) => on === 'press');
  if (!found || !hot) return null;
  return (
    <Stack gap={4} as="ul">
      <li className="small">
        {words(
          hot.hotUntilS === null
            ? say('heat.hot-peel-gone')
            : say('heat.hot-peel', { untilS: hot.hotUntilS, spread }),
        )}
      </li>
      {found.map(({ on, coldFromS }: PeelWindow) =>
        coldFromS === null ? null : (
          <li key={on} className="small">
            {words(say('heat.cold-peel', { fromS: coldFromS, on, spread }))}
          </li>
        ),
      )}
    </Stack>
  );
}
