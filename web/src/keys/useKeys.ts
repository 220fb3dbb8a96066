import { useEffect, useSyncExternalStore } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { endPair, isPairOpen, startPair } from './leader.ts';
import { hearKeys, keysNow, tellKeys } from './registry.ts';
import type { KeyGroup, KeyLine } from './registry.ts';
import { isTyping, takesSpace } from './targets.ts';

interface KeyBinding extends Omit<KeyLine, 'shown'> {
  /** As `KeyboardEvent.key` has it; `mod+z` with Ctrl or ⌘. `g o` is one after the other. */
  key: string;
  /** As it is printed on the keyboard, where that is not the key itself. */
  shown?: string;
  act: () => void;
}

/** Stands between the keys of a list; a comma may be a key. */
const DELIMITER = '\n';

/**
 * Keys that work while this is on the page. A key that is typed into a field stays that field’s, one that means something to
 * what has the focus (Space on a button) stays its, and none acts behind a dialog. They are told by the sheet behind `?`.
 *
 * @param scope where they work, as the sheet’s heading
 */
export function useKeys(scope: string, bindings: readonly KeyBinding[]): void {
  const pairs = bindings.filter(({ key }) => key.startsWith('g '));
  const space = bindings.find(({ key }) => key === ' ');
  const single = bindings.filter((own) => own !== space && !pairs.includes(own));
  const act = (event: KeyboardEvent, hotkey: string): void => {
    const isModified = event.ctrlKey || event.metaKey;
    if (isModified === hotkey.startsWith('mod+'))
      single.find(({ key }) => key.toLowerCase() === hotkey)?.act();
  };
  useHotkeys(
    [...new Set(single.map(({ key }) => key))].join(DELIMITER),
    (event, { hotkey }) => act(event, hotkey),
    {
      ...common,
      delimiter: DELIMITER,
      useKey: true,
      ignoreModifiers: true, // whether Shift makes a sign depends on the keyboard; Ctrl and the like are looked at here
      enabled: single.length > 0,
      ignoreEventWhen: (event) => {
        const name = (event.ctrlKey || event.metaKey ? 'mod+' : '') + event.key.toLowerCase();
        return (
          !single.some(({ key }) => key.toLowerCase() === name) ||
          isNotOurs(event) ||
          isPairOpen(event.timeStamp)
        );
      },
    },
  );
  useHotkeys('space', () => space?.act(), {
    ...common,
    enabled: space !== undefined,
    ignoreEventWhen: (event) => isNotOurs(event) || event.ctrlKey || event.metaKey,
  });
  usePairs(pairs);
  useKeyNotes(
    scope,
    bindings.map(({ key, shown = key, does }) => ({ shown, does })),
  );
}

const common = { enableOnFormTags: true, preventDefault: true } as const;

/** Hears every key, for the one after `g`. */
function usePairs(pairs: readonly KeyBinding[]): void {
  useHotkeys(
    '*',
    (event) => {
      if (event.key === 'Shift') return;
      if (isPairOpen(event.timeStamp)) {
        endPair(event.timeStamp);
        pairs.find(({ key }) => key === `g ${event.key.toLowerCase()}`)?.act();
      } else if (event.key === 'g') startPair(event.timeStamp);
    },
    {
      enabled: pairs.length > 0,
      enableOnFormTags: true,
      ignoreEventWhen: (event) => isNotOurs(event) || event.ctrlKey || event.metaKey,
    },
  );
}

/** A key held down, one that means something to what has the focus, or one pressed while a dialog is open. */
const isNotOurs = ({ key, target, altKey, repeat }: KeyboardEvent): boolean =>
  altKey ||
  repeat ||
  isTyping(target) ||
  (key === ' ' && takesSpace(target)) ||
  document.querySelector('[role=dialog]') !== null;

/** Tells the sheet of keys that a part of the page answers by itself, as a picture or a table does. */
export function useKeyNotes(scope: string, lines: readonly KeyLine[]): void {
  const told = JSON.stringify(lines);
  useEffect(() => tellKeys({ scope, lines: JSON.parse(told) as KeyLine[] }), [scope, told]);
}

/** All keys that work now, those of one scope together. */
export function useKeysNow(): KeyGroup[] {
  const groups = useSyncExternalStore(hearKeys, keysNow);
  const scopes = [...new Set(groups.map(({ scope }) => scope))];
  return scopes.map((scope) => ({
    scope,
    lines: groups.filter((own) => own.scope === scope).flatMap(({ lines }) => lines),
  }));
}
