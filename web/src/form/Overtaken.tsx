import { rich, t } from '../words/index.ts';
import { Button, Note } from '../ui/index.ts';
interface Props {
  /** What was changed by somebody else, in words. */
  what: string;
  /** Go on with what is written here, knowing theirs. */
  onKeepMine: () => void;
  onStartAgain: () => void;
}

/** Somebody changed what a draft was made from: said before anything is saved over it. */
export function Overtaken({ what, onKeepMine, onStartAgain }: Props) {
  return (
    <Note
      tone="caution"
      role="alert"
      actions={
        <>
          <Button size="small" onClick={onStartAgain}>
            {t('Start again from theirs')}
          </Button>
          <Button size="small" onClick={onKeepMine}>
            {t('Go on with mine')}
          </Button>
        </>
      }
    >
      {rich('◆ {what} was changed by somebody else after you began. What you wrote is still here.', { what })}
    </Note>
  );
}
