import type { Character } from '../guide/working';

/** On which view each trait of a body plan shows, and on which part of it. */
export type Places = Readonly<Record<string, NonNullable<Character['plate']>>>;

/** @param byView the traits of each part, by the view that shows it, parted by spaces. */
export const placesOf = (byView: Readonly<Record<string, Readonly<Record<string, string>>>>): Places =>
  Object.fromEntries(
    Object.entries(byView).flatMap(([view, parts]) =>
      Object.entries(parts).flatMap(([part, traits]) => traits.split(' ').map((trait) => [trait, { view, part }])),
    ),
  );
