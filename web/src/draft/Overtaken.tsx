import Button from '@mui/material/Button';

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
    <div className="caution row" role="alert" style={{ justifyContent: 'space-between' }}>
      <span>◆ {what} was changed by somebody else after you began. What you wrote is still here.</span>
      <span className="row" style={{ gap: 8 }}>
        <Button size="small" variant="outlined" onClick={onStartAgain}>
          Start again from theirs
        </Button>
        <Button size="small" variant="outlined" onClick={onKeepMine}>
          Go on with mine
        </Button>
      </span>
    </div>
  );
}
