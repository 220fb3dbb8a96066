import type { Beginnings } from '@saltflat/contract';
import { Link } from 'react-router';
import type { RefusalProps } from '../../api/useAttempt.ts';
import { beginningMarks, canPlan } from './beginningMarks.ts';
import { Button, Mark, Panel, Progress, Refusal, Row, Rows, Split, Stack } from '../../ui/index.ts';

interface Props {
  beginnings: Beginnings;
  onFill: () => void;
  isFilling: boolean;
  refusal: RefusalProps;
}

/** A shop without an order yet: what to set up first, or the made-up shop to look around in. */
export function FirstRun({ beginnings, onFill, isFilling, refusal }: Props) {
  const marks = beginningMarks(beginnings);
  const { state, share } = beginnings.demo;
  const isEmpty = marks.every(({ count }) => count === 0 || count === null);
  const isComing = state === 'filling' || isFilling;
  const isOffered = isEmpty || isComing || state === 'broken-off';
  return (
    <Split columns={isOffered ? 'minmax(0, 3fr) minmax(280px, 2fr)' : 'minmax(0, 800px)'} pad={16} gap={32}>
      <Stack gap={12}>
        <h2>{isEmpty ? 'An empty shop: what to set up first' : 'Nothing is taken in yet'}</h2>
        <Rows as="ol" aria-label="What to set up first">
          {marks.map(({ to, title, says, count }) => (
            <li key={to} style={{ padding: '10px 0' }}>
              <Row gap={10} align="baseline">
                <Link to={to}>{title}</Link>
                {count === null ? (
                  <Mark mark="●" tone="calm" isSmall>
                    usual values
                  </Mark>
                ) : (
                  <Mark mark={count > 0 ? '●' : '○'} tone={count > 0 ? 'calm' : 'hands'} isSmall>
                    {count > 0 ? `${count} set up` : 'none yet'}
                  </Mark>
                )}
              </Row>
              <p className="muted">{says}</p>
            </li>
          ))}
        </Rows>
        <Row>
          <Button look={canPlan(marks) ? 'primary' : 'second'} to="/orders/new">
            Take in the first order
          </Button>
          {!canPlan(marks) && (
            <span className="muted">
              It can be written now; its route is planned once something stands in each list above.
            </span>
          )}
        </Row>
      </Stack>
      {isOffered && (
        <Panel as="div" title="Or look around first" pad={16}>
          <Stack gap={10}>
            <p>
              A made-up print room with its blanks, materials, machines, some weeks of work and a few open
              orders. It takes about half a minute, and can be cleared again: what you set up meanwhile stays.
            </p>
            {isComing ? (
              <Progress words="The demo is being taken in" share={share ?? 0} />
            ) : state === 'broken-off' ? (
              <p>
                ◆ The demo ended half-way. <Link to="/shop/demo">Clear what came of it</Link>
              </p>
            ) : (
              <div>
                <Button onClick={onFill}>Fill it with the demo</Button>
              </div>
            )}
            <Refusal {...refusal} />
          </Stack>
        </Panel>
      )}
    </Split>
  );
}
