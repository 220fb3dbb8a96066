import { useState } from 'react';
import { Button, Refusal, Stack } from '../../ui/index.ts';

interface Props {
  words: string;
  /** A sentence when it is refused. */
  onTakeBack: () => Promise<string | null>;
}

/** Takes a person’s own choice back: the route is planned without it. */
export function TakeBack({ words, onTakeBack }: Props) {
  const [refusal, setRefusal] = useState('');
  const [isBusy, setBusy] = useState(false);
  const send = async (): Promise<void> => {
    setBusy(true);
    setRefusal((await onTakeBack()) ?? '');
    setBusy(false);
  };
  return (
    <Stack gap={6}>
      <div>
        <Button look="quiet" size="small" isBusy={isBusy} onClick={() => void send()}>
          {words}
        </Button>
      </div>
      <Refusal words={refusal} onRetry={() => void send()} isRetrying={isBusy} />
    </Stack>
  );
}
