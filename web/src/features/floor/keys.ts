/** True where a key press belongs to the field it is typed into. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement;

/** True where Space already means something: a button, a link, a field. */
export const takesSpace = (target: EventTarget | null): boolean =>
  isTyping(target) || target instanceof HTMLButtonElement || target instanceof HTMLAnchorElement;
