import { styled } from '@mui/material/styles';
import { Grow } from './boxes.tsx';

const Head = styled('div')({
  minHeight: 56,
  display: 'flex',
  alignItems: 'center',
  gap: '8px 16px',
  flexWrap: 'wrap',
  padding: '8px 0',
});

interface Props {
  title: React.ReactNode;
  /** What is shown here, in a few words. */
  says?: React.ReactNode;
  /** Right beside the title: a state. */
  mark?: React.ReactNode;
  /** What can be done with the page as a whole; the most important last. */
  children?: React.ReactNode;
}

/** The head of a place: what it is, what it shows, what can be done. */
export function PageHead({ title, says, mark, children }: Props) {
  return (
    <Head>
      <h1>{title}</h1>
      {mark}
      {says !== undefined && <span className="muted">{says}</span>}
      <Grow />
      {children}
    </Head>
  );
}
