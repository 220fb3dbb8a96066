import type { Route } from '@saltflat/core/route';
import { faultsOf } from '@saltflat/core/run';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { problemMessage } from '../../api/problemMessage.ts';
import { useUploadPhotoMutation } from './floorApi.ts';

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
  const takePhoto = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const answer = await upload(file);
    if (answer.data) setPhoto(answer.data.sha256);
  };
  return (
    <div className="stack">
      <div role="group" aria-label="What was seen" className="row" style={{ gap: 6 }}>
        {faultsOf(route).map(([fault, { name }]) => (
          <Button
            key={fault}
            className="fault"
            variant={faults.includes(fault) ? 'contained' : 'outlined'}
            aria-pressed={faults.includes(fault)}
            onClick={() => toggle(fault)}
          >
            {name}
          </Button>
        ))}
      </div>
      <div className="row">
        <TextField
          label="Note (optional)"
          value={note}
          onChange={(event) => setNote(event.target.value)}
          sx={{ flex: 1, minWidth: 220 }}
        />
        <Button component="label" variant="outlined" sx={{ minHeight: 56 }}>
          {isLoading ? 'Sending the photo …' : photo ? '● Photo kept' : 'Add a photo (optional)'}
          <input
            type="file"
            accept="image/png,image/jpeg"
            className="visually-hidden"
            onChange={(event) => void takePhoto(event.target.files?.[0])}
          />
        </Button>
        <Button
          className="primary"
          variant="contained"
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
      </div>
      {faults.length === 0 && <p className="muted">Choose at least one fault.</p>}
      {error && (
        <p className="field-problem" role="alert">
          {problemMessage(error)}
        </p>
      )}
    </div>
  );
}
