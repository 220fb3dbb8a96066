import { t } from '../../words/index.ts';
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
  'needs-art': { mark: '◆', word: t('needs art'), tone: 'hands' },
  planning: { mark: '○', word: t('planning'), tone: 'calm' },
  failed: { mark: '■', word: t('no route'), tone: 'hands' },
  'art-to-mend': { mark: '◆', word: t('art to mend'), tone: 'hands' },
  ready: { mark: '◐', word: t('ready'), tone: 'go' },
  running: { mark: '▶', word: t('running'), tone: 'go' },
  resting: { mark: '∿', word: t('resting'), tone: 'calm' },
  waiting: { mark: '○', word: t('waiting'), tone: 'calm' },
  done: { mark: '●', word: t('done'), tone: 'calm' },
  cancelled: { mark: '■', word: t('cancelled'), tone: 'calm' },
  good: { mark: '●', word: t('good'), tone: 'calm' },
  reprint: { mark: '◆', word: t('reprint'), tone: 'hands' },
  scrap: { mark: '■', word: t('scrap'), tone: 'hands' },
} as const satisfies Record<string, { mark: string; word: string; tone: Tone }>;

const SEVERITIES = {
  stop: { mark: '■', word: t('stops the print'), tone: 'hands' },
  warn: { mark: '◆', word: t('will show'), tone: 'hands' },
  note: { mark: '○', word: t('worth knowing'), tone: 'calm' },
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
