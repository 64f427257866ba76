import type { CaptureWrite } from '@plesion/contract';
import { CATCHES, CONDITIONS, type Catch, RELEASES, ringOf, SEX_METHODS, SEXES } from '@plesion/core/fieldwork';
import { Fix, NaturalMark } from '@plesion/core/fieldwork/schema';
import type { Guide } from '@plesion/core/guide';
import type { Reading } from '@plesion/core/observation';
import { z } from 'zod';
import { numberOf } from '../../lib/numberOf';

/** A catch as it is typed, right or not yet; kept over a reload. */
export const Typed = z.object({
  what: z.enum(CATCHES),
  /** Empty: the ring that is offered. */
  mark: z.string(),
  /** The number, read a second time. */
  markAgain: z.string(),
  taxon: z.string().optional(),
  name: z.string(),
  age: z.string().optional(),
  sex: z.enum(SEXES).optional(),
  sexBy: z.enum(SEX_METHODS).optional(),
  condition: z.enum(CONDITIONS).optional(),
  mass: z.string(),
  /** Measured values by their character. */
  values: z.record(z.string(), z.string()),
  states: z.record(z.string(), z.array(z.string())),
  // What came to the sheet later: a catch that was typed before lacks it.
  naturalMarks: z.array(NaturalMark).default([]),
  mother: z.string().default(''),
  father: z.string().default(''),
  brood: z.string().default(''),
  release: z.enum(RELEASES).optional(),
  position: Fix.optional(),
  photo: z.string().optional(),
  due: z.string(),
  dueText: z.string(),
  note: z.string(),
  /** Why something stands all the same, by what it is. */
  reasons: z.record(z.string(), z.string()),
  specimenId: z.string().optional(),
});
export type Typed = z.infer<typeof Typed>;

export const NOTHING_TYPED: Typed = {
  what: 'ringed',
  mark: '',
  markAgain: '',
  name: '',
  mass: '',
  values: {},
  states: {},
  naturalMarks: [],
  mother: '',
  father: '',
  brood: '',
  due: '',
  dueText: '',
  note: '',
  reasons: {},
};

/** Of a catch that was kept, as it was typed. */
export function typedOf(capture: CaptureWrite): Typed {
  const numbers = capture.readings.filter(({ value }) => value !== undefined);
  const seen = capture.readings.filter(({ states }) => states);
  return {
    ...NOTHING_TYPED,
    what: capture.what,
    mark: capture.mark ?? '',
    markAgain: capture.mark ?? '',
    taxon: capture.taxon,
    name: capture.name ?? '',
    age: capture.age?.code,
    sex: capture.sex,
    sexBy: capture.sexBy,
    condition: capture.condition,
    mass: capture.mass === undefined ? '' : String(capture.mass),
    values: Object.fromEntries(numbers.map(({ character, value }) => [character, String(value)])),
    states: Object.fromEntries(seen.map(({ character, states }) => [character, states!])),
    naturalMarks: capture.naturalMarks ?? [],
    mother: capture.parents?.mother ?? '',
    father: capture.parents?.father ?? '',
    brood: capture.parents?.brood ?? '',
    release: capture.release,
    position: capture.position,
    photo: capture.photo,
    due: capture.followUp?.due ?? '',
    dueText: capture.followUp?.text ?? '',
    note: capture.note ?? '',
    reasons: Object.fromEntries(capture.overrides.map(({ what, reason }) => [what, reason])),
    specimenId: capture.specimenId,
  };
}

/** Is a ring borne? */
export const bears = (what: Catch): boolean => what === 'ringed' || what === 'again';
/** Is it one of the kinds that are looked for? */
export const isWanted = (what: Catch): boolean => what !== 'other-kind';

interface Surroundings {
  before?: CaptureWrite;
  visitId: string;
  guideId: string;
  guide: Guide;
  family: string;
  mark?: string;
  by: string;
  now: string;
}

/** What is to be kept of what was typed; numbers that are none are left out, and are refused before. */
export function captureOf(typed: Typed, { before, visitId, guideId, guide, family, mark, by, now }: Surroundings): CaptureWrite {
  const wanted = isWanted(typed.what);
  const mass = numberOf(typed.mass);
  const overrides = Object.entries(typed.reasons)
    .filter(([, reason]) => reason.trim())
    .map(([what, reason]) => {
      const known = before?.overrides.find((one) => one.what === what && one.reason === reason.trim());
      return known ?? { what, reason: reason.trim(), by, at: now };
    });
  return {
    version: before?.version ?? 0,
    hidden: before?.hidden ?? false,
    visitId,
    at: before?.at ?? now,
    what: typed.what,
    ...(mark && (bears(typed.what) || typed.what === 'lost') ? { mark } : {}),
    ...(wanted ? { guideId, ...(typed.taxon ? { taxon: typed.taxon } : {}) } : {}),
    ...(typed.name.trim() && !wanted ? { name: typed.name.trim() } : {}),
    ...(wanted && typed.age ? { age: { family, code: typed.age } } : {}),
    ...(wanted && typed.sex ? { sex: typed.sex } : {}),
    ...(wanted && typed.sexBy && typed.sex !== 'unknown' ? { sexBy: typed.sexBy } : {}),
    ...(typed.condition ? { condition: typed.condition } : {}),
    ...(mass !== undefined && mass > 0 ? { mass } : {}),
    readings: wanted ? readingsOf(typed, guide, before?.readings ?? []) : [],
    ...(typed.photo ? { photo: typed.photo } : {}),
    ...(typed.position ? { position: typed.position } : {}),
    ...(typed.naturalMarks.length ? { naturalMarks: typed.naturalMarks } : {}),
    ...parentsOf(typed),
    ...(typed.release ? { release: typed.release } : {}),
    ...(typed.specimenId ? { specimenId: typed.specimenId } : {}),
    ...(typed.due && typed.dueText.trim()
      ? { followUp: { ...before?.followUp, due: typed.due, text: typed.dueText.trim() } }
      : {}),
    ...(typed.note.trim() ? { note: typed.note.trim() } : {}),
    overrides,
  };
}

/** Rings of its parents as far as they are some; others are refused before. */
function parentsOf({ mother, father, brood }: Typed): Pick<CaptureWrite, 'parents'> {
  const [mothers, fathers] = [ringOf(mother), ringOf(father)];
  const parents = {
    ...(mothers ? { mother: mothers } : {}),
    ...(fathers ? { father: fathers } : {}),
    ...(brood.trim() ? { brood: brood.trim() } : {}),
  };
  return Object.keys(parents).length ? { parents } : {};
}

/** Readings of what was typed, each on top of what was known of it; what the sheet does not ask stays. */
function readingsOf({ values, states }: Typed, guide: Guide, before: readonly Reading[]): Reading[] {
  const asked = new Set([...Object.keys(values), ...Object.keys(states)]);
  const typed = guide.characters.flatMap(({ id }): Reading[] => {
    const known = before.find(({ character }) => character === id);
    const value = numberOf(values[id] ?? '');
    const own = { id: known?.id ?? `${id}-1`, character: id };
    if (value !== undefined) return [{ ...own, value, ...(known?.value === value && known.error ? { error: known.error } : {}) }];
    return states[id]?.length ? [{ ...own, states: states[id] }] : [];
  });
  return [...before.filter(({ character }) => !asked.has(character)), ...typed];
}
