import type { Certainty } from '@plesion/core/observation';
import type { CoupletAnswer, StatementAnswer } from '@plesion/core/keys';

/** Changes to what was answered at a couplet; what was ticked and noted there stays. */

const remarks = ({ couplet, statements, note }: CoupletAnswer): CoupletAnswer => ({
  couplet,
  ...(statements ? { statements } : {}),
  ...(note ? { note } : {}),
});

/** The decision taken back. */
export const undecided = remarks;

export const taking =
  (lead: string, certainty: Certainty) =>
  (before: CoupletAnswer): CoupletAnswer => ({ ...remarks(before), lead, ...(certainty === 'sure' ? {} : { certainty }) });

export const forking =
  (fork: true | number[] = true) =>
  (before: CoupletAnswer): CoupletAnswer => ({ ...remarks(before), fork });

export const noting =
  (note: string) =>
  (before: CoupletAnswer): CoupletAnswer => ({ ...before, note: note || undefined });

/** One statement said, or no longer said. */
export const ticking =
  (n: number, answer: StatementAnswer | undefined, specimen: string | undefined) =>
  (before: CoupletAnswer): CoupletAnswer => {
    const others = (before.statements ?? []).filter((one) => one.n !== n);
    return { ...before, statements: answer ? [...others, { n, answer, ...(specimen ? { specimen } : {}) }] : others };
  };

/** A number measured for a statement that is tied to no character; undefined takes it back. */
export const measuring =
  (n: number, value: number | undefined, error: number | undefined, specimen: string | undefined) =>
  (before: CoupletAnswer): CoupletAnswer => {
    const others = (before.statements ?? []).filter((one) => one.n !== n);
    if (value === undefined) return { ...before, statements: others };
    const own = {
      n,
      answer: 'fits' as const,
      value,
      ...(error === undefined ? {} : { error }),
      ...(specimen ? { specimen } : {}),
    };
    return { ...before, statements: [...others, own] };
  };
