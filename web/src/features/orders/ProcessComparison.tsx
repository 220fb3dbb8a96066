import { rich, t } from '../../words/index.ts';
import type { ComparisonAnswer } from '@saltflat/contract';
import type { ProcessOption } from '@saltflat/core/compare';
import type { Process } from '@saltflat/core/route';
import { formatDuration } from '@saltflat/core/units';
import { Money } from '../../units/Written.tsx';
import { useWords } from '../../units/useWords.ts';
import {
  Group,
  GroupName,
  Note,
  RadioChoice,
  Sideways,
  SimpleTable,
  Stack,
  TOKENS,
  ownProps,
  styled,
} from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';

interface Props {
  /** Of the radio buttons: one group a print. */
  name: string;
  /** Which print, in words. */
  of: string;
  comparison: ComparisonAnswer;
  process: Process;
  isFetching: boolean;
  onChange: (process: Process) => void;
}

type Possible = ProcessOption & { plan: NonNullable<ProcessOption['plan']> };

/** Every process side by side, with numbers and reasons; a person chooses. */
export function ProcessComparison({ name, of, comparison, process, isFetching, onChange }: Props) {
  const words = useWords();
  const { options, recommended, reasons, wouldChange, taken } = comparison;
  const possible = options.filter((option): option is Possible => option.plan !== null);
  const excluded = options.filter(({ plan }) => plan === null);
  const first = options.find((option) => option.process === recommended);
  const columns: TableColumn<Possible>[] = [
    {
      key: 'process',
      title: t('Process'),
      cell: (option) => (
        <RadioChoice
          name={name}
          value={option.process}
          isChosen={option.process === process}
          onChoose={() => onChange(option.process)}
          label={
            <>
              {t(option.name)}
              {option.process === recommended && <span className="muted small">{t(' recommended')}</span>}
            </>
          }
        />
      ),
    },
    { key: 'cost', title: t('Cost each'), isNumber: true, cell: ({ plan }) => <Cost plan={plan} /> },
    { key: 'hands', title: t('Hands, all'), isNumber: true, cell: ({ plan }) => formatDuration(plan.handsS) },
    { key: 'elapsed', title: t('Elapsed'), isNumber: true, cell: ({ plan }) => <Elapsed plan={plan} /> },
    {
      key: 'look',
      title: t('Look and hand'),
      cell: ({ plan }) => <span className="small">{words(plan.look.said)}</span>,
    },
    ...SCALES.map(([key, title]) => ({
      key,
      title,
      cell: ({ plan }: Possible) => <Scale value={plan.look[key]} />,
    })),
    { key: 'risks', title: t('Risks and limits'), cell: ({ plan }) => <Risks plan={plan} taken={taken} /> },
  ];
  return (
    <Group aria-busy={isFetching}>
      <GroupName>{t('Process, compared for this print')}</GroupName>
      {first && (
        <p style={{ marginBottom: 8 }}>
          {rich('{strong} is recommended: {join}. {wouldChange} {part}', {
            strong: <strong>{t(first.name)}</strong>,
            join: reasons.map(words).join('; '),
            wouldChange: words(wouldChange),
            part: <span className="muted">{t('What hand, cover and risk are worth is an assumption.')}</span>,
          })}
        </p>
      )}
      {!first && <Note tone="alarm">{words(wouldChange)}</Note>}
      <Frame isFetching={isFetching}>
        <Sideways label={t('Processes side by side for {of}', { of })}>
          <SimpleTable
            label={t('Processes')}
            columns={columns}
            rows={possible}
            keyOf={(option) => option.process}
            isSelected={(option) => option.process === process}
            isTopAligned
          />
        </Sideways>
      </Frame>
      {excluded.length > 0 && (
        <Stack as="ul" gap={2} className="small" aria-label={t('Left out')} style={{ marginTop: 8 }}>
          {excluded.map((option) => (
            <li key={option.process}>
              <span className="muted">{t('Not')}</span> {t(option.name)}:{' '}
              {option.refusals.map(words).join(' ')}
            </li>
          ))}
        </Stack>
      )}
    </Group>
  );
}

/** Dashed while it is being worked out again: still to be read. */
const Frame = styled(
  'div',
  ownProps('isFetching'),
)<{ isFetching: boolean }>(({ isFetching }) => ({
  border: `1px ${isFetching ? 'dashed' : 'solid'} ${TOKENS.hairline}`,
  borderRadius: 4,
}));

const SCALES = [
  ['opacity', t('Cover')],
  ['softness', t('Soft')],
  ['breathing', t('Breathes')],
  ['stretch', t('Stretch')],
] as const;

const Cost = ({ plan }: { plan: Possible['plan'] }) => (
  <>
    <Money cents={plan.cost.totalCents} />
    {plan.addsCents !== null && (
      <div className="muted small">
        {rich('{money} for this print', { money: <Money cents={plan.addsCents} /> })}
      </div>
    )}
  </>
);

const Elapsed = ({ plan }: { plan: Possible['plan'] }) => (
  <>
    {formatDuration(plan.elapsedS)}
    {plan.restBeforeDispatchS > 0 && (
      <div className="muted small">
        {rich('+ {restBeforeDispatchS} rest', {
          restBeforeDispatchS: formatDuration(plan.restBeforeDispatchS),
        })}
      </div>
    )}
  </>
);

function Risks({ plan, taken }: { plan: Possible['plan']; taken: ComparisonAnswer['taken'] }) {
  const words = useWords();
  return (
    <div className="small">
      {[...plan.conflicts, ...plan.problems].map(words).map((text) => (
        <div key={text} style={{ color: TOKENS.roseInk }}>
          ■ {text}
        </div>
      ))}
      {taken
        .filter(({ machine }) => plan.machines.includes(machine))
        .map(({ machine, code }) => (
          <div key={machine}>{rich('▶ {machine} is on {code} now', { machine, code })}</div>
        ))}
      <span className="muted">{plan.risks.slice(0, 2).map(words).join(' · ')}</span>
    </div>
  );
}

const WORDS = ['little', 'some', 'fair', 'good', 'full'] as const;

/** A judgement in five steps: bars for the eye, a word for everyone. */
function Scale({ value }: { value: number }) {
  const step = Math.min(4, Math.max(0, Math.round(value * 4)));
  return (
    <span className="nowrap" style={{ display: 'inline-flex', flexDirection: 'column', gap: 2 }}>
      <span aria-hidden="true" style={{ display: 'inline-flex', gap: 2 }}>
        {WORDS.map((word, i) => (
          <Bar key={word} isOn={i <= step} />
        ))}
      </span>
      <span className="small">{t(WORDS[step] ?? '')}</span>
    </span>
  );
}

const Bar = styled(
  'i',
  ownProps('isOn'),
)<{ isOn: boolean }>(({ isOn }) => ({
  width: 8,
  height: 6,
  background: isOn ? TOKENS.muted : TOKENS.hairline,
  forcedColorAdjust: 'none',
}));
