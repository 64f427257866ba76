import type { MarkHistory } from '@plesion/contract';
import { atLiberty, type Position } from '@plesion/core/fieldwork';
import { sayWay } from '../field/words';

/** From one capture of an individual to the next, or to where it was found. */
export interface Way {
  key: string;
  from: Position;
  to: Position;
  /** How far and which way. */
  says: string;
  /** The same, with the days. */
  words: string;
}

/** The ways of an individual, in order of time; where it was met at the same place there is none. */
export function waysOf({ captures, visits, sites, recoveries }: MarkHistory): Way[] {
  const siteOf = new Map(visits.map(({ id, siteId }) => [id, sites.find((site) => site.id === siteId)]));
  const met = [
    ...captures.map(({ id, at, position, visitId }) => ({
      id,
      day: at.slice(0, 10),
      at: position ?? siteOf.get(visitId)?.position,
    })),
    ...recoveries.map(({ id, foundOn, position }) => ({ id, day: foundOn, at: position })),
  ]
    .filter((one): one is { id: string; day: string; at: Position } => one.at !== undefined)
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
  return met.slice(1).flatMap((to, i) => {
    const from = met[i];
    const way = atLiberty(from, to);
    const words = sayWay(way);
    const [, far] = words.split(' · ');
    return far && way.bearing !== undefined ? [{ key: to.id, from: from.at, to: to.at, says: far, words }] : [];
  });
}
