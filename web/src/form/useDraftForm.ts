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
  const { draftKey, current } = options;
  const [kept] = useState(() => readDraft<V>(sessionStorage, draftKey));
  /** The version that is written over; `null` while nothing is written. */
  const [version, setVersion] = useState(kept?.version ?? null);
  const isShown = useRef(false); // a value that is shown was not written
  const filling = useFilled<V, D, R>({
    ...options,
    values: kept?.values ?? current.values,
    send: (document) => options.send(document, version ?? current.version),
    onSent: (answer) => {
      forget();
      options.onSent?.(answer);
    },
  });
  const { form } = filling;
  const over = version ?? current.version;

  useEffect(
    () =>
      form.subscribe({
        formState: { values: true },
        callback: ({ values }) => {
          if (isShown.current) return;
          setVersion(over);
          keepDraft(sessionStorage, draftKey, { version: over, values });
        },
      }),
    [form, draftKey, over],
  );

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
      setVersion(current.version);
      keepDraft(sessionStorage, draftKey, { version: current.version, values: form.getValues() });
      filling.calm();
    },
    startAgain: () => {
      forget();
      show();
      filling.calm();
    },
  };
}
