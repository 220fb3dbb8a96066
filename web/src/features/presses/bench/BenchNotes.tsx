import type { BenchNote, BenchNoteInput } from '@saltflat/contract';
import { useState } from 'react';
import { compiled, useFilled } from '../../../form/index.ts';
import { useDates } from '../../../units/writingSlice.ts';
import {
  Button,
  Form,
  IconButton,
  Panel,
  Pressable,
  Refusal,
  Row,
  Rows,
  Stack,
  TextField,
} from '../../../ui/index.ts';
import { rich, t } from '../../../words/index.ts';
import type { Variant } from './variant.ts';

interface Props {
  /** Newest first; `undefined` until they are read. */
  notes: readonly BenchNote[] | undefined;
  /** What is on the bench. */
  variants: readonly Variant[];
  who: string;
  send: (note: BenchNoteInput) => Promise<{ data?: BenchNote; error?: unknown }>;
  onSent: (note: BenchNote) => void;
  onOpen: (variants: readonly Variant[]) => void;
  onRemove: (note: BenchNote) => void;
}

/** Notes of what was tried: what is on the bench can be kept under a name, and taken up again. */
export function BenchNotes({ notes, variants, who, send, onSent, onOpen, onRemove }: Props) {
  const dates = useDates();
  const [isWriting, setWriting] = useState(false);
  return (
    <Panel title={t('Notes')} pad={isWriting ? '8px 16px 12px' : undefined}>
      {isWriting ? (
        <NoteForm
          variants={variants}
          who={who}
          send={send}
          onSent={(note) => {
            setWriting(false);
            onSent(note);
          }}
          onGiveUp={() => setWriting(false)}
        />
      ) : (
        <Rows aria-label={t('Notes')}>
          <li>
            <Stack pad="8px 16px">
              <Row gap={8}>
                <Button size="small" onClick={() => setWriting(true)}>
                  {t('Keep this as a note')}
                </Button>
                {notes?.length === 0 && <span className="muted small">{t('None yet.')}</span>}
              </Row>
            </Stack>
          </li>
          {(notes ?? []).map((note) => (
            <li key={note.id} style={{ display: 'flex', alignItems: 'center' }}>
              <div style={{ flex: 1, minWidth: 0 }}>
                <Pressable onClick={() => onOpen(note.input.variants)}>
                  {rich('{name} {text} {when}', {
                    name: <strong>{note.input.name}</strong>,
                    text: <span className="small">{note.input.text}</span>,
                    when: (
                      <span className="muted small nowrap">
                        {note.input.by}, {dates(note.at, 'day')}
                      </span>
                    ),
                  })}
                </Pressable>
              </div>
              <IconButton
                label={t('Throw the note “{name}” away', { name: note.input.name })}
                onClick={() => onRemove(note)}
              >
                ×
              </IconButton>
            </li>
          ))}
        </Rows>
      )}
    </Panel>
  );
}

type Words = Pick<BenchNoteInput, 'name' | 'text' | 'by'>;

function NoteForm({
  variants,
  who,
  send,
  onSent,
  onGiveUp,
}: Pick<Props, 'variants' | 'who' | 'send' | 'onSent'> & { onGiveUp: () => void }) {
  const { form, problems, refusal, isSending, submit } = useFilled<Words, BenchNoteInput, BenchNote>({
    filled: {
      check: compiled('press', 'bench-note'),
      documentOf: ({ name, text, by }) => ({ name: name.trim(), text: text.trim(), by: by.trim(), variants }),
    },
    values: { name: '', text: '', by: who },
    send,
    onSent,
    isLong: true,
  });
  return (
    <Form label={t('Note')} onSubmit={submit}>
      <Stack gap={12}>
        <TextField
          label={t('Name of the note')}
          value={form.watch('name')}
          problem={problems['/name']}
          autoFocus
          onChange={(name) => form.setValue('name', name)}
        />
        <TextField
          label={t('What was seen')}
          value={form.watch('text')}
          lines={2}
          problem={problems['/text']}
          onChange={(text) => form.setValue('text', text)}
        />
        <TextField
          label={t('Who')}
          value={form.watch('by')}
          width={160}
          problem={problems['/by']}
          onChange={(by) => form.setValue('by', by)}
        />
        <Refusal words={refusal} />
        <Row gap={8}>
          <Button look="primary" type="submit" isBusy={isSending}>
            {t('Keep the note')}
          </Button>
          <Button onClick={onGiveUp}>{t('Give it up')}</Button>
        </Row>
      </Stack>
    </Form>
  );
}
