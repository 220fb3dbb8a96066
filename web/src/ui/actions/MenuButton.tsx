import { Suspense, lazy, useRef, useState } from 'react';
import { Button } from './Button.tsx';
import type { MenuChoice } from './MenuChoices.tsx';

/** Menus come with the first one that is opened. */
const MenuChoices = lazy(async () => ({ default: (await import('./MenuChoices.tsx')).MenuChoices }));

interface Props {
  children: React.ReactNode;
  choices: readonly MenuChoice[];
  look?: 'primary' | 'second' | 'quiet';
  size?: 'small' | 'medium';
  label?: string;
}

/** A button with what else can be done behind it. */
export function MenuButton({ children, choices, look = 'second', size = 'small', label }: Props) {
  const [isOpen, setOpen] = useState(false);
  const place = useRef<HTMLSpanElement>(null);
  return (
    <>
      <span ref={place}>
        <Button look={look} size={size} label={label} isExpanded={isOpen} onClick={() => setOpen(true)}>
          {children}
          <span aria-hidden="true" style={{ marginLeft: 6 }}>
            ▾
          </span>
        </Button>
      </span>
      {isOpen && (
        <Suspense fallback={null}>
          <MenuChoices place={place.current} choices={choices} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
