import { idsFor } from '@plesion/core/guide';

/** An id by a name that nothing else has yet. */
export const freshId = (name: string, taken: readonly { id: string }[]): string =>
  idsFor(
    [name],
    taken.map(({ id }) => id),
  ).get(name)!;
