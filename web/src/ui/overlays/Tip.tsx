import Tooltip from '@mui/material/Tooltip';

interface Props {
  says: React.ReactNode;
  children: React.ReactElement;
  /** The tip is the name of what it belongs to, not more about it. */
  isName?: boolean;
}

/** A few words more, by pointer, by focus and by a long touch. */
export const Tip = ({ says, children, isName = false }: Props) => (
  <Tooltip title={says} describeChild={!isName}>
    {children}
  </Tooltip>
);

/** Text that has more to say: it can be reached by keyboard, and underlined it shows that it can. */
export const Hinted = ({ says, children }: { says: React.ReactNode; children: React.ReactNode }) => (
  <Tip says={says}>
    <span tabIndex={0} style={{ textDecoration: 'underline dotted', textUnderlineOffset: 3 }}>
      {children}
    </span>
  </Tip>
);
