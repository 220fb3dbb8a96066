import type { Signed } from '@saltflat/contract';
import { FilledText } from '../../form/index.ts';
import { useSigning } from './signing.ts';
import { Button, FieldProblem, Form, Panel, TOKENS } from '../../ui/index.ts';

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
  const signing = useSigning(who, onKeep);
  return (
    <Panel as="div" pad="12px 16px" style={{ borderColor: TOKENS.brine }}>
      <Form isRow label="Values being tried" onSubmit={signing.submit}>
        <strong style={{ flex: 1, minWidth: 260 }}>
          ◆ {count === 1 ? 'One value is' : `${count} values are`} being tried: trace, cost and limits follow.
        </strong>
        <FilledText filling={signing} name="who" label="Who" width={160} />
        <FilledText filling={signing} name="why" label="Why" width={260} />
        <Button look="primary" type="submit" disabled={problem !== ''} isBusy={signing.isSending}>
          Plan with {count === 1 ? 'this value' : 'these values'}
        </Button>
        <Button onClick={onGiveUp}>As it was</Button>
      </Form>
      <FieldProblem>{problem || signing.refusal}</FieldProblem>
    </Panel>
  );
}
