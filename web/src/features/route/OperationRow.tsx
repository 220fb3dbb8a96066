import { rich, t } from '../../words/index.ts';
import { sheetWords } from '@saltflat/core/route';
import { STATION_NAMES, aloneS, goesWords, handsS, plannedMode, unitsOf } from '@saltflat/core/work';
import type { Operation } from '@saltflat/core/work';
import { formatDuration, formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import { memo, useState } from 'react';
import { useWords } from '../../units/useWords.ts';
import { Note, Pressable, Row, Stack, TOKENS, ownProps, styled } from '../../ui/index.ts';

interface Props {
  operation: Operation;
  /** Of the line that go through it. */
  parts: number;
  /** What is to be minded that was not said before. */
  cautions: Operation['cautions'];
  isLit: boolean;
  picked: string | null;
  system: UnitSystem;
  onPick: (own: { operation: string; setting: string }) => void;
}

/** Letters of checks that are shown at once; more are one press away. */
const SHORT = 80;

/**
 * One operation: where, what, with which settings, how long, and how to know it is right. While a value is slid most operations
 * stay as they are: those are not drawn again.
 */
export const OperationRow = memo(OperationLine, (before, now) =>
  (Object.keys(now) as (keyof Props)[]).every((key) =>
    key === 'cautions'
      ? JSON.stringify(before.cautions) === JSON.stringify(now.cautions)
      : before[key] === now[key],
  ),
);

function OperationLine({ operation, parts: all, cautions, isLit, picked, system, onPick }: Props) {
  const { id, station, modes, title, settings, sheet, checks, look, waitAfter, weighIn } = operation;
  const words = useWords();
  const [isWhole, setWhole] = useState(false);
  const told = checks.map(words).join(' · ');
  const isFolded = told.length > SHORT;
  const { machine } = plannedMode(operation);
  const parts = unitsOf(operation, all)[0] ?? 1;
  const [hands, alone] = [handsS(operation, parts), aloneS(operation, parts)];
  return (
    <Line id={`operation-${id}`} isLit={isLit}>
      <div>
        <div className="muted small">{STATION_NAMES[station]}</div>
        <Title>{title}</Title>
        <div className="muted small">
          {machine && `${machine.name}, `}
          {goesWords(operation, t)}
        </div>
        {modes.length > 1 && (
          <div className="muted small">
            {rich('or {join}', {
              join: modes
                .slice(1)
                .map((mode) => mode.machine?.name)
                .join(', '),
            })}
          </div>
        )}
      </div>
      <Stack gap={6}>
        <Row gap={6}>
          {settings.map((setting) => (
            <Setting
              key={setting.key}
              setting={setting}
              isPicked={picked === setting.key}
              system={system}
              onPick={() => onPick({ operation: id, setting: setting.key })}
            />
          ))}
          {sheet && (
            <span className="muted">{rich('under {name}', { name: sheetWords(sheet.name, t) })}</span>
          )}
          {weighIn && (
            <span className="muted">
              {rich('weigh in {targetG} ± {toleranceG}', {
                targetG: formatQuantity(weighIn.targetG, 'mass', system),
                toleranceG: formatQuantity(weighIn.toleranceG, 'mass', system),
              })}
            </span>
          )}
        </Row>
        <p className="small">
          <strong>{t('Right:')}</strong> {words(look)}{' '}
          {(isWhole || !isFolded) && <span className="muted">{told} </span>}
          {isFolded && (
            <Pressable look="words" isExpanded={isWhole} onClick={() => setWhole(!isWhole)}>
              {isWhole
                ? t('less')
                : checks.length === 1
                  ? t('and a check')
                  : t('and {count} checks', { count: checks.length })}
            </Pressable>
          )}
        </p>
        {cautions.map((caution) => (
          <Note tone="caution" isSmall key={caution.code}>
            {words(caution)}
          </Note>
        ))}
        {waitAfter && (waitAfter.minS > 0 || waitAfter.maxS !== null) && (
          <p className="small">
            <span aria-hidden="true">∿ </span>
            {waitAfter.minS > 0 && t('Wait {minS}. ', { minS: formatDuration(waitAfter.minS) })}
            {waitAfter.maxS !== null && t('Within {maxS}. ', { maxS: formatDuration(waitAfter.maxS) })}
            <span className="muted">{words(waitAfter.why)}</span>
          </p>
        )}
      </Stack>
      <dl aria-label={t('How long')}>
        {operation.unit !== 'line' && (
          <Time>
            <dt>{rich('each {unit}', { unit: operation.unit })}</dt>
          </Time>
        )}
        <Time>
          <dt>{t('hands')}</dt>
          <dd>{formatDuration(hands)}</dd>
        </Time>
        {alone > 0 && (
          <Time>
            <dt>{t('by itself')}</dt>
            <dd>{formatDuration(alone)}</dd>
          </Time>
        )}
      </dl>
    </Line>
  );
}

interface SettingProps {
  setting: Operation['settings'][number];
  isPicked: boolean;
  system: UnitSystem;
  onPick: () => void;
}

/** A setting as a tile: its value, whether it is a person’s own or over a limit; pressed it says why. */
function Setting({ setting, isPicked, system, onPick }: SettingProps) {
  const isOver = setting.conflicts.length > 0;
  return (
    <Pressable look="tile" isExpanded={isPicked} onClick={onPick} sx={isOver ? OVER : PILL}>
      <span>
        <Label>{setting.label}</Label> {formatQuantity(setting.value, setting.kind, system)}
        {isOver && <span>{t(' ■ over a limit')}</span>}
        {setting.reasons[0]?.source === 'override' && <span>{t(' ◆ changed')}</span>}
      </span>
    </Pressable>
  );
}

const PILL = { minHeight: 32, fontWeight: 600 } as const;
const OVER = { ...PILL, borderColor: TOKENS.rose, color: TOKENS.roseInk } as const;
const Title = styled('h2')({ fontSize: 14 });
const Label = styled('span')({ color: TOKENS.muted, fontWeight: 400 });
const Time = styled('div')({
  display: 'flex',
  justifyContent: 'space-between',
  gap: 8,
  '& dt': { color: TOKENS.muted, fontSize: 12 },
});
const Line = styled(
  'li',
  ownProps('isLit'),
)<{ isLit: boolean }>(({ isLit }) => ({
  display: 'grid',
  gridTemplateColumns: '170px minmax(0, 1fr) 124px',
  gap: 16,
  padding: '10px 16px',
  borderBottom: `1px solid ${TOKENS.hairlinePale}`,
  background: isLit ? TOKENS.brinePale : undefined,
  '&:last-child': { borderBottom: 0 },
  '@media (max-width: 1000px)': { gridTemplateColumns: 'minmax(0, 1fr)' },
}));
