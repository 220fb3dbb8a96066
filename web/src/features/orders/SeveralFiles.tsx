import { t } from '../../words/index.ts';
import type { RefusalProps } from '../../api/useAttempt.ts';
import { Button, Dialog, Progress, Refusal, Row, Stack } from '../../ui/index.ts';

interface Props {
  names: readonly string[];
  /** The line they were dropped on, from 1. */
  line: number;
  /** How many prints that line can still get, the one they were dropped on included. */
  room: number;
  /** How many are in already; `null` while nothing is sent. */
  sent: number | null;
  refusal: RefusalProps;
  onLines: () => void;
  onPrints: () => void;
  onClose: () => void;
}

/** Several files at once: asked what they are to be, once for all of them. */
export function SeveralFiles({ names, line, room, sent, refusal, onLines, onPrints, onClose }: Props) {
  const tooMany = names.length > room;
  return (
    <Dialog
      title={t('{count} files: what are they to be?', { count: names.length })}
      onClose={onClose}
      actions={<Button onClick={onClose}>{t('Leave them')}</Button>}
    >
      <ul className="small">
        {names.map((name, i) => (
          <li key={`${i} ${name}`}>{name}</li>
        ))}
      </ul>
      {sent === null ? (
        <Stack gap={8}>
          <Row>
            <Button look="primary" onClick={onLines}>
              {t('A line each')}
            </Button>
            <span className="muted small">{t('the same garment and place, how many is asked of each')}</span>
          </Row>
          <Row>
            <Button onClick={onPrints} disabled={tooMany}>
              {t('Prints on one garment')}
            </Button>
            <span className="muted small">
              {tooMany
                ? room === 1
                  ? t('line {line} has room for one print only', { line })
                  : t('line {line} has room for {room} prints only', { line, room })
                : t('each at the next place that is free')}
            </span>
          </Row>
        </Stack>
      ) : (
        <Progress
          words={t('Reading {file}', { file: names[sent] ?? t('the files') })}
          share={sent / names.length}
        />
      )}
      <Refusal {...refusal} />
    </Dialog>
  );
}
