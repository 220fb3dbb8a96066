import { t } from '../../words/index.ts';
import type { Route } from '@saltflat/core/route';
import { faultsOf } from '@saltflat/core/run';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { useUploadPhotoMutation } from './floorApi.ts';
import { Button, FileButton, Refusal, Row, Stack, TextField } from '../../ui/index.ts';

/** What was seen on something that is not good. */
export interface Seen {
  faults: string[];
  note?: string;
  photo?: string;
}

interface Props {
  route: Route;
  /** On the button that ends it. */
  word: string;
  onTell: (seen: Seen) => void;
}

/** At least one fault, a note and a photo if there is time. */
export function FaultForm({ route, word, onTell }: Props) {
  const [faults, setFaults] = useState<string[]>([]);
  const [note, setNote] = useState('');
  const [photo, setPhoto] = useState<string | null>(null);
  const [upload, { isLoading, error }] = useUploadPhotoMutation();
  const toggle = (fault: string): void =>
    setFaults((before) =>
      before.includes(fault) ? before.filter((own) => own !== fault) : [...before, fault],
    );
  const [sent, setSent] = useState<File | null>(null);
  const takePhoto = async (file: File): Promise<void> => {
    setSent(file);
    const answer = await upload(file);
    if (answer.data) setPhoto(answer.data.sha256);
  };
  return (
    <Stack>
      <Row role="group" aria-label={t('What was seen')} gap={6}>
        {faultsOf(route).map(([fault, { name }]) => (
          <Button
            key={fault}
            size="large"
            look={faults.includes(fault) ? 'primary' : 'second'}
            isPressed={faults.includes(fault)}
            onClick={() => toggle(fault)}
          >
            {t(name)}
          </Button>
        ))}
      </Row>
      <Row>
        <div style={{ flex: 1, minWidth: 220 }}>
          <TextField label={t('Note (optional)')} value={note} onChange={setNote} />
        </div>
        <FileButton
          label={t('Add a photo (optional)')}
          accept="image/png,image/jpeg"
          isBusy={isLoading}
          onFile={(file) => void takePhoto(file)}
        >
          {isLoading ? t('Sending the photo …') : photo ? t('● Photo kept') : t('Add a photo (optional)')}
        </FileButton>
        <Button
          size="huge"
          look="primary"
          disabled={faults.length === 0}
          onClick={() =>
            onTell({
              faults,
              ...(note.trim() === '' ? {} : { note: note.trim() }),
              ...(photo === null ? {} : { photo }),
            })
          }
        >
          {word}
        </Button>
      </Row>
      {faults.length === 0 && <p className="muted">{t('Choose at least one fault.')}</p>}
      <Refusal
        words={error ? t('The photo was not taken: {error}', { error: problemMessage(error) }) : ''}
        onRetry={sent ? () => void takePhoto(sent) : undefined}
        isRetrying={isLoading}
      />
    </Stack>
  );
}
