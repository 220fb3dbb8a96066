import { useState } from 'react';
import { Button, Dialog, Drawer, Hinted, Row, Stack, TextField, Tip, useToast } from '../../ui/index.ts';

/** What comes over the page: tips, dialogs, drawers, and what was done with the way back. */
export function KitOverlays() {
  const tell = useToast();
  const [shown, setShown] = useState<'dialog' | 'drawer' | null>(null);
  const [text, setText] = useState('');
  const close = (): void => setShown(null);
  return (
    <Stack>
      <Row>
        <Tip says="A few words more, by pointer and by focus">
          <span>
            <Button>With a tip</Button>
          </span>
        </Tip>
        <Hinted says="Words that have more to say can be reached by keyboard">underlined with dots</Hinted>
      </Row>
      <Row>
        <Button onClick={() => setShown('dialog')}>Open a dialog</Button>
        <Button onClick={() => setShown('drawer')}>Open a drawer</Button>
        <Button
          onClick={() =>
            tell({ words: 'K-214 is cancelled.', undo: () => tell({ words: 'K-214 is open again.' }) })
          }
        >
          Do something that can be undone
        </Button>
      </Row>
      {shown === 'dialog' && (
        <Dialog
          title="What is the problem?"
          onClose={close}
          onSubmit={close}
          actions={
            <>
              <Button onClick={close}>Back</Button>
              <Button look="primary" type="submit" disabled={text === ''}>
                Note it
              </Button>
            </>
          }
        >
          <TextField autoFocus label="In a few words" value={text} onChange={setText} />
        </Dialog>
      )}
      {shown === 'drawer' && (
        <Drawer title="Beside the page" onClose={close}>
          <Stack>
            <p>Something larger, while the page stays in sight.</p>
            <Button onClick={close}>Close</Button>
          </Stack>
        </Drawer>
      )}
    </Stack>
  );
}
