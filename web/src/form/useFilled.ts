import { t } from '../words/t.ts';
import type { FieldProblem } from '@saltflat/contract/problems';
import { useMemo, useRef, useState } from 'react';
import { useForm } from 'react-hook-form';
import type { DefaultValues, FieldValues, Path, UseFormReturn } from 'react-hook-form';
import { fieldProblems, problemMessage } from '../api/problemMessage.ts';
import { nameOf, problemsIn, resolverOf } from './check.ts';
import type { Filled } from './check.ts';

export interface Filling<V extends FieldValues, D extends FieldValues> {
  form: UseFormReturn<V, unknown, D>;
  /** What is wrong, by JSON Pointer into what is sent. */
  problems: Record<string, string>;
  /** Why it was not sent, or was refused; empty where it was not. */
  refusal: string;
  isSending: boolean;
  submit: () => void;
  /** Forgets what was refused. */
  calm: () => void;
}

interface Options<V extends FieldValues, D extends FieldValues, R> {
  filled: Filled<V, D>;
  values: V;
  /** Gives back what was refused, if anything: a sentence, or what the server answered. */
  send: (document: D) => Promise<{ data?: R; error?: unknown }>;
  onSent?: (answer: R) => void;
  /** So long that a field that is marked may be out of sight: what is wrong is told below, too. */
  isLong?: boolean;
  /** Refused fields as the server names them, as they are named here. */
  ownPath?: (path: string) => string;
}

/** A form that is checked as the server checks it, sent, and shows at each field what the server refused it for. What is typed stays. */
export function useFilled<V extends FieldValues, D extends FieldValues, R>({
  filled,
  values,
  send,
  onSent,
  isLong = false,
  ownPath = (path) => path,
}: Options<V, D, R>): Filling<V, D> {
  const form = useForm<V, unknown, D>({
    defaultValues: values as DefaultValues<V>,
    resolver: useMemo(() => resolverOf(filled), [filled]),
    shouldFocusError: false, // it knows only fields that hold one value
  });
  const [refusal, setRefusal] = useState('');
  const inHand = useRef<HTMLFormElement | null>(null); // what is pressed may be unpressable, and out of hand, until it is sent
  const mark = ({ path, message }: FieldProblem): void =>
    form.setError(nameOf(ownPath(path)) as Path<V>, { type: 'refused', message });
  const go = form.handleSubmit(
    async (document) => {
      setRefusal('');
      const answer = await send(document);
      if (answer.error !== undefined) {
        setRefusal(typeof answer.error === 'string' ? answer.error : problemMessage(answer.error));
        fieldProblems(answer.error).forEach(mark);
        focusMarked(inHand.current);
      } else onSent?.(answer.data as R); // an answer without a fault is one
    },
    (errors) => {
      setRefusal(isLong ? inShort(problemsIn(errors)) : '');
      focusMarked(inHand.current);
    },
  );
  const { errors, isSubmitting } = form.formState;
  return {
    form,
    problems: problemsIn(errors),
    refusal,
    isSending: isSubmitting,
    submit: () => {
      inHand.current = document.activeElement?.closest('form') ?? null;
      void go();
    },
    calm: () => {
      setRefusal('');
      form.clearErrors();
    },
  };
}

const FEW = 3;

/** A few faults by their sentences, of many how many. */
function inShort(problems: Record<string, string>): string {
  const sentences = [...new Set(Object.values(problems))];
  return sentences.length > FEW
    ? t('{count} fields still need something: they are marked.', { count: sentences.length })
    : sentences.join(' ');
}

/** Takes the hand to the first field that is marked in a form, once it is drawn so. */
function focusMarked(form: HTMLFormElement | null): void {
  setTimeout(() => form?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus());
}
