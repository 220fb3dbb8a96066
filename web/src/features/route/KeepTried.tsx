import { useState } from 'react';
import type { Signed } from './useTriedRoute.ts';
import { Button, FieldProblem, Form, Panel, TOKENS, TextField } from '../../ui/index.ts';

interface Props {
  count: number;
  /** Why the values tried cannot be planned; empty where they can. */
  problem: string;
  who: string;
  /** A sentence when it is refused. */
  onKeep: (signed: Signed) => Promise<string | null>;
  onGiveUp: () => void;
}

/** Values are being tried: everything on the page follows them, nothing is kept until it is signed. */
export function KeepTried({ count, problem, who, onKeep, onGiveUp }: Props) {
  const [name, setName] = useState(who);
  const [why, setWhy] = useState('');
  const [refusal, setRefusal] = useState('');
  const submit = async (): Promise<void> => {
    if (name.trim() === '' || why.trim() === '') {
      setRefusal('Who you are and why: both are kept with the route.');
      return;
    }
    setRefusal((await onKeep({ who: name.trim(), why: why.trim() })) ?? '');
  };
  const wrong = problem || refusal;
  return (
    <Panel as="div" pad="12px 16px" style={{ borderColor: TOKENS.brine }}>
      <Form isRow label="Values being tried" onSubmit={() => void submit()}>
        <strong style={{ flex: 1, minWidth: 260 }}>
          ◆ {count === 1 ? 'One value is' : `${count} values are`} being tried: trace, cost and limits follow.
        </strong>
        <TextField label="Who" width={160} value={name} onChange={setName} />
        <TextField label="Why" width={260} value={why} onChange={setWhy} />
        <Button look="primary" type="submit" disabled={problem !== ''}>
          Plan with {count === 1 ? 'this value' : 'these values'}
        </Button>
        <Button onClick={onGiveUp}>As it was</Button>
      </Form>
      <FieldProblem>{wrong}</FieldProblem>
    </Panel>
  );
}
