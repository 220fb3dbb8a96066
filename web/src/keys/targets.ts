const PRESSED = new Set(['checkbox', 'radio', 'range', 'button', 'submit', 'color', 'file']);

/** True where a key press belongs to the field it is typed into. */
export function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target instanceof HTMLInputElement) return !PRESSED.has(target.type);
  return (
    target instanceof HTMLTextAreaElement ||
    target instanceof HTMLSelectElement ||
    target.isContentEditable ||
    target.getAttribute('role') === 'spinbutton'
  );
}

const TAKES_SPACE =
  'button, a, input, select, textarea, summary, [role=button], [role=tab], [role=option], [role=menuitem]';

/** True where Space already means something: a button, a link, a field. */
export const takesSpace = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest(TAKES_SPACE) !== null;
