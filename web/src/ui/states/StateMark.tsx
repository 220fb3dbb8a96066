import { styled } from '@mui/material/styles';
import { ownProps } from '../theme/ownProps.ts';
import { TOKENS } from '../theme/tokens.ts';

type Tone = 'calm' | 'go' | 'hands';

const COLOURS: Record<Tone, string> = { calm: TOKENS.muted, go: TOKENS.brine, hands: TOKENS.rose };

const Chip = styled(
  'span',
  ownProps('tone'),
)<{ tone: Tone }>(({ tone }) => ({
  display: 'inline-flex',
  gap: 6,
  alignItems: 'baseline',
  whiteSpace: 'nowrap',
  color: COLOURS[tone],
  fontWeight: tone === 'calm' ? undefined : 600,
}));

interface Props {
  mark: string;
  tone: Tone;
  children: React.ReactNode;
  isSmall?: boolean;
}

/** Something’s state as shape and word; colour comes third. */
export const Mark = ({ mark, tone, children, isSmall = false }: Props) => (
  <Chip tone={tone} className={isSmall ? 'small' : undefined}>
    <span aria-hidden="true">{mark}</span>
    <span>{children}</span>
  </Chip>
);

export const STATES = {
  'needs-art': { mark: '◆', word: 'needs art', tone: 'hands' },
  planning: { mark: '○', word: 'planning', tone: 'calm' },
  failed: { mark: '■', word: 'no route', tone: 'hands' },
  'art-to-mend': { mark: '◆', word: 'art to mend', tone: 'hands' },
  ready: { mark: '◐', word: 'ready', tone: 'go' },
  running: { mark: '▶', word: 'running', tone: 'go' },
  resting: { mark: '∿', word: 'resting', tone: 'calm' },
  waiting: { mark: '○', word: 'waiting', tone: 'calm' },
  done: { mark: '●', word: 'done', tone: 'calm' },
  cancelled: { mark: '■', word: 'cancelled', tone: 'calm' },
  good: { mark: '●', word: 'good', tone: 'calm' },
  reprint: { mark: '◆', word: 'reprint', tone: 'hands' },
  scrap: { mark: '■', word: 'scrap', tone: 'hands' },
} as const satisfies Record<string, { mark: string; word: string; tone: Tone }>;

const SEVERITIES = {
  stop: { mark: '■', word: 'stops the print', tone: 'hands' },
  warn: { mark: '◆', word: 'will show', tone: 'hands' },
  note: { mark: '○', word: 'worth knowing', tone: 'calm' },
} as const satisfies Record<string, { mark: string; word: string; tone: Tone }>;

/** How much harm something does that was found in a file. */
export function SeverityMark({ severity }: { severity: keyof typeof SEVERITIES }) {
  const { mark, word, tone } = SEVERITIES[severity];
  return (
    <Mark mark={mark} tone={tone} isSmall>
      {word}
    </Mark>
  );
}

/** The state of a line, an order or a piece. */
export function StateMark({ state }: { state: keyof typeof STATES }) {
  const { mark, word, tone } = STATES[state];
  return (
    <Mark mark={mark} tone={tone}>
      {word}
    </Mark>
  );
}
