import { Button, Refusal, Row, Stack, TextField } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

interface Props {
  by: string;
  note: string;
  onBy: (by: string) => void;
  onNote: (note: string) => void;
  problems: Record<string, string>;
  /** Why it was not kept; empty where nothing is wrong. */
  refusal: string;
  isSending: boolean;
  /** On the button that keeps it. */
  words: string;
  onGiveUp: () => void;
}

/** Who measured, what is to be said of it, and whether it is kept. */
export const CheckFoot = (props: Props) => (
  <Stack gap={12}>
    <Row gap={12} align="start">
      <TextField
        label={t('Who')}
        value={props.by}
        onChange={props.onBy}
        problem={props.problems['/by']}
        width={160}
      />
      <TextField
        label={t('Note')}
        value={props.note}
        onChange={props.onNote}
        problem={props.problems['/note']}
        width={360}
      />
    </Row>
    <Refusal words={props.refusal} />
    <Row gap={8}>
      <Button look="primary" type="submit" isBusy={props.isSending}>
        {props.words}
      </Button>
      <Button onClick={props.onGiveUp}>{t('Give it up')}</Button>
    </Row>
  </Stack>
);
