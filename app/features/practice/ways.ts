import { type CompiledGuide, type Guide } from '@plesion/core/guide';
import {
  type Asked,
  hardnessAfter,
  type Memories,
  memoryKey,
  nextPair,
  type NextWhy,
  pairsOf,
  type PracticeLevel,
} from '@plesion/core/practice';
import type { Plan } from '@plesion/core/plates';

/** Ways to practise with a guide. */
export const WAYS = ['need', 'life', 'pair', 'mark', 'spot', 'flock', 'many', 'tally', 'walk', 'photos'] as const;
export type Way = (typeof WAYS)[number];

export const WAY_WORDS: Record<Way, string> = {
  need: 'what I need',
  life: 'as they live',
  pair: 'these two',
  mark: 'one mark',
  spot: 'find the mark',
  flock: 'the odd one of twenty',
  many: 'how many',
  tally: 'count each kind',
  walk: 'walk a key',
  photos: 'our photographs',
};

/** Ways that show many at once, or one from view to view: nothing of it is behind leaves. */
export const IN_THE_OPEN: readonly Way[] = ['flock', 'many', 'tally', 'walk', 'photos'];

/** A way with what it is about. */
export interface Wanted {
  way: Way;
  view?: string;
  /** Two groups, of `pair`. */
  groups?: [string, string];
  /** A character, of `mark`. */
  character?: string;
  /** Of `life`. */
  region?: string;
  /** 1–12, of `life`. */
  month?: number;
  /** Of `walk`. */
  walk?: Asked['walk'];
  /** Of `photos`: those of the station that are verified. */
  photos?: NonNullable<Asked['photo']>[];
  /** How much is behind leaves, 0..1. */
  hidden?: number;
  /** In which colours are gone. */
  light?: 'dusk' | 'glare';
  /** Too far for what is to be seen from near. */
  far?: boolean;
  /** s. */
  glimpse?: number;
}

/** What is told apart in a guide: its species, or the first facet of a single one. */
export function levelOf(guide: Guide): PracticeLevel {
  const [facet] = Object.keys(guide.facets) as (keyof Guide['facets'])[];
  const several = guide.taxa.filter(({ rank }) => rank === 'species').length > 1;
  return several || !facet ? { kind: 'rank', rank: 'species' } : { kind: 'facet', facet };
}

interface Stand {
  guideId: string;
  compiled: CompiledGuide;
  plan: Plan;
  memories: Memories;
  /** Was it right, the newest last. */
  lately: readonly boolean[];
  /** Pairs asked just before. */
  before: readonly string[];
}

/** Seconds that a flock is seen whose number is asked, where no other time is wanted: too short to count it. */
const FLYING_BY = 5;

/** Pairs that are left alone after they were asked. */
export const RESTED = 2;

export interface AskedNow {
  asked: Asked;
  /** Asked where there is nothing of that: the kinds of a colony whose sexes cannot be told from a drawing. */
  otherwise?: Asked;
  why?: NextWhy;
  pair?: string;
}

/** What is to be asked now, and why; where one asks for a pair that is not whole yet, for all. */
export function askedNow(wanted: Wanted, stand: Stand, now: Date): AskedNow {
  const level = levelOf(stand.compiled.guide);
  const { view, hidden, glimpse, light, far } = wanted;
  const seen = { ...(light ? { light } : {}), ...(far ? { distance: 'far' as const } : {}) };
  const base = {
    level,
    ...(view ? { view } : {}),
    ...(hidden ? { hidden } : {}),
    ...(glimpse ? { glimpse } : {}),
    ...(light || far ? { situation: seen } : {}),
  };
  // Of many at once nothing is behind leaves.
  const many = { level, ...(view ? { view } : {}), ...(glimpse ? { glimpse } : {}) };
  const hard = Math.round(hardnessAfter(stand.lately) * 100) / 100;
  if (wanted.way === 'mark' && wanted.character) return { asked: { ...base, character: wanted.character } };
  if (wanted.way === 'pair' && wanted.groups) return { asked: { ...base, groups: wanted.groups, hard } };
  if (wanted.way === 'need' || wanted.way === 'spot' || wanted.way === 'flock') {
    const { guideId, memories, before } = stand;
    const next = nextPair({ guideId, memories, before, now, pairs: pairsOf(stand.compiled, stand.plan, level) });
    const about = { need: { ...base, hard }, spot: { ...base, spot: true as const }, flock: { ...many, flock: 'odd' as const } };
    if (next)
      return {
        asked: { ...about[wanted.way], groups: next.of },
        why: next.why,
        pair: memoryKey('pair', guideId, next.of),
      };
    if (wanted.way === 'flock') return { asked: about.flock };
  }
  if (wanted.walk) return { asked: { level, walk: wanted.walk, ...(view ? { view } : {}) } };
  if (wanted.photos?.length) {
    const rested = wanted.photos.filter(({ hash }) => !stand.before.includes(hash));
    const from = rested.length ? rested : wanted.photos;
    const photo = from[Math.floor(Math.random() * from.length)];
    return { asked: { level, photo, ...(glimpse ? { glimpse } : {}) }, pair: photo.hash };
  }
  if (wanted.way === 'many') return { asked: { ...many, flock: 'many', glimpse: glimpse ?? FLYING_BY } };
  if (wanted.way === 'tally') {
    const kinds = { ...many, flock: 'tally' } as const;
    return { asked: { ...kinds, level: { kind: 'facet', facet: 'sex' } }, otherwise: kinds };
  }
  const { region, month } = wanted;
  const date = month && `${now.getFullYear()}-${String(month).padStart(2, '0')}-15`;
  return {
    asked: {
      ...base,
      ...(region || date ? { situation: { ...seen, ...(region ? { region } : {}), ...(date ? { date } : {}) } } : {}),
    },
  };
}
