import { t } from '../../words/index.ts';
import { styled } from '@mui/material/styles';
import { ownProps } from '../theme/ownProps.ts';
import { useDropzone } from 'react-dropzone';
import { Button } from '../actions/Button.tsx';
import { TOKENS } from '../theme/tokens.ts';
import { FieldProblem } from './FieldProblem.tsx';

const Zone = styled(
  'div',
  ownProps('isOver'),
)<{ isOver: boolean }>(({ isOver }) => ({
  border: `1px dashed ${isOver ? TOKENS.brine : TOKENS.edge}`,
  background: isOver ? TOKENS.brinePale : TOKENS.surface,
  borderRadius: 4,
  padding: 12,
  minHeight: 200,
  display: 'grid',
  placeItems: 'center',
  gap: 8,
  textAlign: 'center',
}));

interface Props {
  label: string;
  /** Kinds of files with their endings. */
  accept: Record<string, string[]>;
  /** Those kinds in words, for the refusal. */
  acceptWords: string;
  onFiles: (files: File[]) => void;
  /** On the button. */
  words: string;
  isBusy: boolean;
  /** Why the last file was not taken; empty where it was. */
  problem: string;
  /** Nothing is in it yet: a press anywhere on it asks for a file. */
  isEmpty: boolean;
  isMany?: boolean;
  children: React.ReactNode;
}

/** Takes files in by drop, by press or by keyboard. */
export function FileDrop(props: Props) {
  const {
    label,
    accept,
    acceptWords,
    onFiles,
    words,
    isBusy,
    problem,
    isEmpty,
    isMany = false,
    children,
  } = props;
  const { getRootProps, getInputProps, isDragActive, open, fileRejections } = useDropzone({
    onDrop: (files) => files.length > 0 && onFiles(files),
    accept,
    multiple: isMany,
    noClick: !isEmpty,
    noKeyboard: true,
  });
  const [refused] = fileRejections;
  const why =
    problem !== '' || !refused
      ? problem
      : refused.errors.some(({ code }) => code === 'too-many-files')
        ? t('One file goes here: drop them one by one.')
        : t('“{name}” is not a {kinds} file.', { name: refused.file.name, kinds: acceptWords });
  return (
    <div>
      <Zone {...getRootProps()} isOver={isDragActive}>
        <input {...getInputProps({ 'aria-label': label })} />
        {children}
        <Button size="small" onClick={open} isBusy={isBusy}>
          {words}
        </Button>
      </Zone>
      <FieldProblem>{why}</FieldProblem>
    </div>
  );
}
