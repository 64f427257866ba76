import { calendarDays, sayDay } from './days';
import type { SiteContent } from './schema';
import { LOOKING, type Method, METHOD_WORDS } from './vocabulary';

/** What lies on file for a method at a site on a day. It is never said that a catch is lawful: that is the authority's to say. */
export type OnFile =
  /** Nothing is caught by it. */
  | { kind: 'not-asked' }
  | { kind: 'held'; label: string; holder: string; to: string; days: number }
  | { kind: 'none'; lapsed?: string };

/** The licence on file that covers a method on a day, the longest-running one; or that there is none. */
export function licenceFor({ licences }: Pick<SiteContent, 'licences'>, method: Method, day: string): OnFile {
  if (LOOKING.includes(method)) return { kind: 'not-asked' };
  const covering = licences
    .filter(({ covers, from }) => covers.includes(method) && from <= day)
    .sort((a, b) => (a.to < b.to ? 1 : -1));
  const [best] = covering;
  if (best && best.to >= day)
    return { kind: 'held', label: best.label, holder: best.holder, to: best.to, days: calendarDays(day, best.to) + 1 };
  return { kind: 'none', ...(best ? { lapsed: best.to } : {}) };
}

/** In words for whoever is about to begin. */
export function sayOnFile(found: OnFile, method: string): string {
  if (found.kind === 'not-asked') return 'Nothing is caught by it, so no licence is asked for here.';
  if (found.kind === 'held')
    return `On file: ${found.label}, held by ${found.holder}, ${found.days === 1 ? 'its last day is today' : `${found.days} days left (to ${sayDay(found.to)})`}. What it allows is for the authority to say.`;
  return found.lapsed
    ? `The licence on file for ${method} ended on ${sayDay(found.lapsed)}. Ask the authority before anything is caught.`
    : `No licence for ${method} is on file at this site. Ask the authority before anything is caught.`;
}

/** What keeps a visit from being begun without a word why: no licence on file, or a site that is left alone. */
export function visitHalts(
  site: Pick<SiteContent, 'name' | 'licences' | 'rested'>,
  method: Method,
  day: string,
): { what: string; says: string }[] {
  const onFile = licenceFor(site, method, day);
  return [
    ...(onFile.kind === 'none' ? [{ what: 'no-licence', says: sayOnFile(onFile, METHOD_WORDS[method]) }] : []),
    ...(site.rested && isRested(site, day)
      ? [{ what: 'rested', says: `${site.name} is left alone until ${sayDay(site.rested.until)}: ${site.rested.reason}.` }]
      : []),
  ];
}

/** Is a site to be left alone on a day? */
export const isRested = ({ rested }: Pick<SiteContent, 'rested'>, day: string): boolean =>
  rested !== undefined && day < rested.until;
