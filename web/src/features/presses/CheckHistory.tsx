import { useDates } from '../../units/writingSlice.ts';
import { Panel, Pressable, Rows } from '../../ui/index.ts';
import { rich } from '../../words/index.ts';

interface Check {
  number: number;
  at: string;
  input: { by: string };
}

interface Props {
  title: string;
  /** Beside the title. */
  says?: string;
  /** Newest first. */
  checks: readonly Check[];
  shown: Check;
  onShow: (number: number) => void;
}

/** What was measured before, each one press away. */
export function CheckHistory({ title, says, checks, shown, onShow }: Props) {
  const dates = useDates();
  return (
    <Panel title={title} {...(says === undefined ? {} : { says })}>
      <Rows>
        {checks.map(({ number, at, input }) => (
          <li key={number}>
            <Pressable isCurrent={number === shown.number} onClick={() => onShow(number)}>
              {rich('{number} {day} {who}', {
                number: <strong>{number}</strong>,
                day: dates(at, 'day'),
                who: <span className="muted">{input.by}</span>,
              })}
            </Pressable>
          </li>
        ))}
      </Rows>
    </Panel>
  );
}
