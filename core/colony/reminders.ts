import { calendarDays, dayAfter } from '../fieldwork';
import type { HereditySection } from '../guide';
import type { Clutch, Kept, Pairing } from './schema';

/** What is to be done in a colony. */
export type Task = 'hatch' | 'tell' | 'separate' | 'weigh';

export interface Reminder {
  task: Task;
  /** The day from which it is due. */
  on: string;
  /** Individuals that it is about; the parents of a clutch. */
  of: readonly string[];
  pen?: string;
  /** Of a clutch that is due to hatch. */
  pairing?: string;
  clutch?: string;
  /** What can be told from that day on: `sex`, or a character. */
  what?: string;
}

interface Member {
  id: string;
  kept: Kept;
}

/** Told so many days ahead. */
const AHEAD = 14;
/** Somebody that has lived with others so long after it could breed will not be separated before. */
const TOO_LATE = 21;

/** Can anything of a clutch still hatch? */
export const isOpen = ({ eggs, hatched, lost = 0 }: Clutch): boolean => hatched === undefined && lost < eggs;

/**
 * What is to be done in a colony, the most overdue first, by the days that the guide says: clutches due to hatch; young old
 * enough that their sex or a character can be told; young to be separated before they breed, where both sexes, or
 * somebody whose sex is not known, share a pen; those to be weighed again.
 */
export function remindersOf(
  { incubation, toldFrom = {}, breedsFrom, weighEvery }: HereditySection,
  members: readonly Member[],
  pairings: readonly (Pairing & { id: string })[],
  today: string,
): Reminder[] {
  const until = dayAfter(today, AHEAD);
  const here = members.filter(({ kept }) => kept.status === 'here');
  const found: Reminder[] = [];
  if (incubation !== undefined)
    for (const { id, fathers, mothers, pen, clutches } of pairings)
      for (const clutch of clutches.filter(isOpen)) {
        const about = { of: [...fathers, ...mothers], pairing: id, clutch: clutch.id };
        found.push({ task: 'hatch', on: dayAfter(clutch.laid, incubation), ...about, ...(pen ? { pen } : {}) });
      }
  for (const [what, days] of Object.entries(toldFrom)) {
    const untold = here.filter(({ kept }) => (what === 'sex' ? !kept.sex : !(what in kept.phenotypes)) && kept.hatched);
    found.push(...together(untold, days).map((one): Reminder => ({ task: 'tell', what, ...one })));
  }
  if (breedsFrom !== undefined)
    for (const [, group] of groups(here, ({ kept }) => kept.pen)) {
      const may = (sex: 'female' | 'male') =>
        group.some(({ kept }) => !kept.sex || kept.sex.called === sex || kept.sex.certainty < 1);
      if (group.length < 2 || !may('female') || !may('male')) continue;
      const young = group.filter(({ kept }) => kept.hatched && calendarDays(kept.hatched, today) <= breedsFrom + TOO_LATE);
      found.push(...together(young, breedsFrom).map((one): Reminder => ({ task: 'separate', ...one })));
    }
  if (weighEvery !== undefined) {
    const weighed = here.flatMap(({ id, kept }) => {
      const last = kept.weights?.reduce((late, { on }) => (on > late ? on : late), '');
      return last ? [{ id, kept: { ...kept, hatched: last } }] : [];
    });
    found.push(...together(weighed, weighEvery).map((one): Reminder => ({ task: 'weigh', ...one })));
  }
  return found
    .filter(({ on }) => on <= until)
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0) || TASKS.indexOf(a.task) - TASKS.indexOf(b.task));
}

const TASKS: readonly Task[] = ['separate', 'hatch', 'tell', 'weigh'];

/** Those of a pen and a day are done together. */
const together = (members: readonly Member[], days: number): { on: string; of: string[]; pen?: string }[] =>
  [...groups(members, ({ kept }) => `${kept.hatched} ${kept.pen ?? ''}`)].map(([, group]) => ({
    on: dayAfter(group[0].kept.hatched!, days),
    of: group.map(({ id }) => id),
    ...(group[0].kept.pen ? { pen: group[0].kept.pen } : {}),
  }));

function groups<T>(all: readonly T[], by: (one: T) => string | undefined): Map<string, T[]> {
  const found = new Map<string, T[]>();
  for (const one of all) {
    const key = by(one);
    if (key !== undefined) found.set(key, [...(found.get(key) ?? []), one]);
  }
  return found;
}
