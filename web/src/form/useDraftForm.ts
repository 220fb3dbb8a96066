import { useEffect, useRef, useState } from 'react';
import type { FieldValues } from 'react-hook-form';
import { keepDraft, readDraft } from './keptDraft.ts';
import type { KeptDraft } from './keptDraft.ts';
import type { Filled } from './check.ts';
import { useFilled } from './useFilled.ts';
import type { Filling } from './useFilled.ts';

export interface DraftForm<V extends FieldValues, D extends FieldValues> extends Filling<V, D> {
  /** The record was changed by somebody else since. */
  isOvertaken: boolean;
  /** Go on with what is written, knowing theirs. */
  keepMine: () => void;
  /** Give up what is written. */
  startAgain: () => void;
}

interface Options<V extends FieldValues, D extends FieldValues, R> {
  /** Where what is typed is kept until it is sent. */
  draftKey: string;
  /** The record as it stands. */
  current: KeptDraft<V>;
  filled: Filled<V, D>;
  /** Sends it with the version that was seen. */
  send: (document: D, version: number) => Promise<{ data?: R; error?: unknown }>;
  onSent?: (answer: R) => void;
  ownPath?: (path: string) => string;
}

/**
 * A record being changed: shown as it is until something is written; what is written survives a reload with the version it was
 * written over, and is sent against that, whatever came after.
 */
export function useDraftForm<V extends FieldValues, D extends FieldValues, R>(
  options: Options<V, D, R>,
): DraftForm<V, D> {
  const { draftKey, current, send, onSent } = options;
  const [kept] = useState(() => readDraft<V>(sessionStorage, draftKey));
  /** The version that is written over; `null` while nothing is written. */
  const [version, setVersion] = useState(kept?.version ?? null);
  const over = version ?? current.version;
  const isShown = useRef(false); // a value that is shown was not written
  const filling = useFilled<V, D, R>({
    ...options,
    values: kept?.values ?? current.values,
    isLong: true,
    send: (document) => send(document, over),
    onSent: (answer) => {
      forget();
      onSent?.(answer);
    },
  });
  const { form } = filling;
  const keep = (version: number, values: V): void => {
    setVersion(version);
    keepDraft(sessionStorage, draftKey, { version, values });
  };
  useWritten(form, (values) => {
    if (!isShown.current) keep(over, values);
  });
  const show = (): void => {
    isShown.current = true;
    form.reset(current.values);
    isShown.current = false;
  };
  const forget = (): void => {
    sessionStorage.removeItem(draftKey);
    setVersion(null);
  };
  const shown = useRef(current.version);
  useEffect(() => {
    if (shown.current === current.version) return;
    shown.current = current.version;
    if (version === null) show();
  });

  return {
    ...filling,
    isOvertaken: version !== null && version !== current.version,
    keepMine: () => {
      keep(current.version, form.getValues());
      filling.calm();
    },
    startAgain: () => {
      forget();
      show();
      filling.calm();
    },
  };
}

/** Tells of every change of what a form holds. */
function useWritten<V extends FieldValues, D extends FieldValues>(
  { subscribe, getValues }: Filling<V, D>['form'],
  onWritten: (values: V) => void,
): void {
  const latest = useRef(onWritten);
  useEffect(() => {
    latest.current = onWritten;
  });
  useEffect(() => {
    let seen = JSON.stringify(getValues());
    return subscribe({
      formState: { values: true },
      callback: ({ values }) => {
        const text = JSON.stringify(values);
        if (text === seen) return; // the library also tells where nothing changed
        seen = text;
        latest.current(values);
      },
    });
  }, [subscribe, getValues]);
}
