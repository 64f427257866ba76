import { RequestProblem } from '@plesion/contract';
import { useEffect, useMemo, useRef, useState } from 'react';
import {
  type Control,
  type DefaultValues,
  type FieldErrors,
  type FieldPath,
  type FieldValues,
  get,
  set,
  useForm,
} from 'react-hook-form';
import type { z } from 'zod';
import { keptForm } from './keptForm';
import { sentence } from './sentence';

/** What is wrong, by field: in words that say what to do. */
export type Wrongs<T extends FieldValues> = { [field in FieldPath<T>]?: string | false | undefined };

export interface KeptFormOptions<T extends FieldValues, R = unknown> {
  /** Of the form and what it is about, such as `pen.<id>`. */
  name: string;
  /** As it is typed. What is kept of another version is passed over. */
  typed: z.ZodType<T>;
  first: () => NoInfer<T>;
  /** What is wrong with what is typed. */
  check?: (typed: T) => Wrongs<T>;
  /** What it throws is said at the field that it names. */
  send: (typed: T) => R | Promise<R>;
  /** What is typed is forgotten by then. */
  onSent?: (typed: T, answer: R) => void | Promise<void>;
  /** The field of the form that a refusal speaks of; where absent, the one that is a part of its path. */
  fieldOf?: (path: string) => string | undefined;
}

export interface KeptForm<T extends FieldValues> {
  control: Control<T>;
  typed: T;
  change: (part: Partial<T>) => void;
  submit: () => void;
  busy: boolean;
  /** What is wrong with nothing that is shown. */
  problem?: string;
  forget: () => void;
  /** As it was first, for the next one; what is given stands already. */
  begin: (given?: Partial<T>) => void;
}

/** What a schema finds wrong with what is typed, by field. */
export const wrongIn = <T extends FieldValues>(schema: z.ZodType, typed: T): Wrongs<T> =>
  // Of several of one field the first is said.
  Object.fromEntries(
    [...(schema.safeParse(typed).error?.issues ?? [])].reverse().map(({ path, message }) => [path.join('.'), sentence(message)]),
  ) as Wrongs<T>;

/**
 * A form whose fields are filled in and sent together. What is typed is there again after a reload; what is wrong is
 * said at its field, which takes the focus, until it is changed.
 */
export function useKeptForm<T extends FieldValues, R>(options: KeptFormOptions<T, R>): KeptForm<T> {
  const { name, typed: shape, first, check, send, onSent, fieldOf } = options;
  const kept = useMemo(() => keptForm(name, shape), [name, shape]);
  const fields = useRef(new Map<string, unknown>());
  /** What was found wrong last. */
  const flagged = useRef<FieldPath<T>[]>([]);
  const sending = useRef(false);
  const [defaultValues] = useState(() => (kept.read() ?? first()) as DefaultValues<T>);
  const form = useForm<T>({
    defaultValues,
    resolver(values, _context, { names = [], fields: inForm }) {
      for (const field of names) fields.current.set(field, get(inForm, field));
      const wrong = Object.entries(check?.(values) ?? {}).filter(([, message]) => message) as [FieldPath<T>, string][];
      flagged.current = wrong.map(([field]) => field);
      const errors: FieldErrors<T> = {};
      for (const [field, message] of wrong) set(errors, field, { type: 'check', message });
      return Object.keys(errors).length ? { values: {}, errors } : { values, errors: {} };
    },
  });
  const { watch, getValues, setValue, setError, formState } = form;
  useEffect(
    () =>
      watch(() => {
        kept.keep(getValues());
        // What one field said of another is mended in either.
        const wrong = check?.(getValues());
        for (const field of flagged.current) if (!wrong?.[field]) form.clearErrors(field);
      }).unsubscribe,
  );
  const isShown = (field: string) => Boolean((fields.current.get(field) as { mount?: boolean } | undefined)?.mount);
  const typed = watch();
  const refuse = (error: unknown) => {
    const path = error instanceof RequestProblem ? error.body.field : undefined;
    const field = path && (fieldOf ? fieldOf(path) : path.split(/[.[\]]+/).find((part) => Object.hasOwn(typed, part)));
    const message = error instanceof Error ? error.message : 'It could not be sent. Try again.';
    setError(field && isShown(field) ? (field as FieldPath<T>) : 'root', { message }, { shouldFocus: true });
  };
  const submit = form.handleSubmit(async (values) => {
    let answer: R;
    try {
      const sent = send(values);
      // What needs no waiting is forgotten before anybody looks: the next form may stand there already.
      answer = sent instanceof Promise ? await sent : sent;
    } catch (error) {
      return refuse(error);
    }
    kept.forget();
    await onSent?.(values, answer);
  });
  const loose = Object.entries(formState.errors).find(([field, error]) => error?.message && !isShown(field));
  return {
    control: form.control,
    typed,
    change(part) {
      for (const [field, value] of Object.entries(part))
        setValue(field as FieldPath<T>, value, { shouldValidate: formState.isSubmitted });
    },
    submit() {
      if (sending.current) return;
      sending.current = true;
      void submit().finally(() => (sending.current = false));
    },
    busy: formState.isSubmitting,
    problem: loose && String(loose[1]?.message),
    forget: kept.forget,
    begin(given) {
      form.reset({ ...first(), ...given });
      kept.forget();
    },
  };
}
