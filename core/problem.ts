/**
 * What went wrong, as a value: a code for programs, a sentence for a person,
 * and the field it concerns (a path such as `readings[2].states`).
 */
export interface Problem {
  code: string;
  message: string;
  field?: string;
}

/** Either a value or at least one problem; never both, never neither. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });

export const failed = <T = never>(...problems: Problem[]): Outcome<T> => ({ ok: false, problems });
