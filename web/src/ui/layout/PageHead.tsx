import { styled } from '@mui/material/styles';

const Head = styled('div')({
  minHeight: 56,
  display: 'flex',
  alignItems: 'center',
  gap: '8px 16px',
  flexWrap: 'wrap',
  padding: '8px 0',
});

/** Takes the room there is, over two lines where it must, so that what can be done stays at the end. */
const Says = styled('div')({ flex: '1 1 220px', minWidth: 0 });

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
      <Says className="muted">{says}</Says>
      {children}
    </Head>
  );
}
