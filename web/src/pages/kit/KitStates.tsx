import { useState } from 'react';
import {
  Banner,
  Button,
  Empty,
  Failed,
  Fold,
  Loading,
  Mark,
  Note,
  Progress,
  Refusal,
  Row,
  STATES,
  Stack,
  StateMark,
  Swatch,
} from '../../ui/index.ts';

const ALL = Object.keys(STATES) as (keyof typeof STATES)[];

/** What is said: states, notes, refusals, and a page that has nothing, waits, or could not be fetched. */
export function KitStates() {
  const [isRefused, setRefused] = useState(true);
  const [isStopped, setStopped] = useState(false);
  return (
    <Stack>
      <Row>
        {ALL.map((state) => (
          <StateMark key={state} state={state} />
        ))}
        <Mark mark="◆" tone="hands">
          late, 14 min
        </Mark>
      </Row>
      <Row gap={6}>
        <Swatch hex="#1b2a4a" />
        <Swatch hex="#ffffff" />
        <Swatch hex="#c2305a" />
      </Row>
      <Note>Good to know.</Note>
      <Note tone="caution">A caution, with what it means.</Note>
      <Note tone="alarm" actions={<Button size="small">Why</Button>}>
        ■ Out of a limit, with a way out.
      </Note>
      <Note tone="caution" isSmall>
        The same, small.
      </Note>
      {isRefused ? (
        <Refusal
          words="K-214 was changed by somebody else meanwhile: look at it and press once more."
          onRetry={() => setRefused(false)}
          onSeen={() => setRefused(false)}
        />
      ) : (
        <Button size="small" onClick={() => setRefused(true)}>
          Refuse again
        </Button>
      )}
      <Progress words="Measuring every pixel of the art" share={0.42} onCancel={() => setStopped(true)} />
      <Progress
        words={isStopped ? 'Stopped: the first answer stands' : 'Nobody can say how long'}
        share={null}
      />
      <Banner role="status">■ No connection to the server. What you see may be old.</Banner>
      <Empty title="No orders here" action={<Button>Take in an order</Button>}>
        Drop the artwork, choose the blank, say how many.
      </Empty>
      <Loading what="the orders" />
      <Failed title="The orders cannot be fetched" onRetry={() => undefined}>
        The server does not answer.
      </Failed>
      <Fold title="More, one press away">What was folded away.</Fold>
    </Stack>
  );
}
