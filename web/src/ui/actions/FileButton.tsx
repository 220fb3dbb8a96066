import { useRef } from 'react';
import { Button } from './Button.tsx';

interface Props {
  children: React.ReactNode;
  /** What the file is for. */
  label: string;
  /** Endings and kinds of files, as the browser’s own dialog takes them. */
  accept: string;
  onFile: (file: File) => void;
  look?: 'primary' | 'second' | 'quiet';
  size?: 'small' | 'medium' | 'large';
  isBusy?: boolean;
}

/** Takes one file by the browser’s own dialog; the same file can be chosen again. */
export function FileButton({ children, label, accept, onFile, ...look }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        hidden
        accept={accept}
        aria-label={label}
        onChange={({ target }) => {
          const file = target.files?.[0];
          if (file) onFile(file);
          target.value = '';
        }}
      />
      <Button {...look} onClick={() => input.current?.click()}>
        {children}
      </Button>
    </>
  );
}
