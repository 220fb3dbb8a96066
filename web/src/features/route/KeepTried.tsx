import { t } from '../../words/index.ts';
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
      <Form isRow label={t('Values being tried')} onSubmit={signing.submit}>
        <strong style={{ flex: 1, minWidth: 260 }}>
          {count === 1
            ? t('◆ One value is being tried: trace, cost and limits follow.')
            : t('◆ {count} values are being tried: trace, cost and limits follow.', { count })}
        </strong>
        <FilledText filling={signing} name="who" label={t('Who')} width={160} />
        <FilledText filling={signing} name="why" label={t('Why')} width={260} />
        <Button look="primary" type="submit" disabled={problem !== ''} isBusy={signing.isSending}>
          {count === 1 ? t('Plan with this value') : t('Plan with these values')}
        </Button>
        <Button onClick={onGiveUp}>{t('As it was')}</Button>
      </Form>
      <FieldProblem>{problem || signing.refusal}</FieldProblem>
    </Panel>
  );
}
