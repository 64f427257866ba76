import type { NeverMix } from '../guide/hereditySchema';
import { mixedBy, type StrainShares } from '../heredity/strains';
import { type Kept, MOST_NAMES, type Pairing, type Pen } from './schema';

/** By what a pen is called now, whatever it was called when it was written. */
export type PenName = (written: string) => string;

/** @param pens of one book; a name that one has now is nobody's former one. */
export function penNames(pens: readonly Pick<Pen, 'name' | 'formerly'>[]): PenName {
  const now = new Map(pens.flatMap(({ name, formerly = [] }) => formerly.map((old) => [keyOfPen(old), name] as const)));
  for (const { name } of pens) now.set(keyOfPen(name), name);
  return (written) => now.get(keyOfPen(written)) ?? written;
}

/** Pens are told apart by their letters, not by capitals. */
export const keyOfPen = (name: string): string => name.trim().toLowerCase();

/**
 * A pen as it is written anew: what it was called stays with it, so that what was written by that name is known of it still;
 * of very many names the latest.
 *
 * @param before as it stood; nothing for a new one, whose former names are those it is sent with.
 */
export function penAnew<P extends Pick<Pen, 'name' | 'formerly'>>(
  before: Pick<Pen, 'name' | 'formerly'> | undefined,
  sent: P,
): P {
  const old = before ? [...(before.formerly ?? []), before.name] : (sent.formerly ?? []);
  const keys = new Set([keyOfPen(sent.name)]);
  const formerly = old.filter((name) => !keys.has(keyOfPen(name)) && keys.add(keyOfPen(name))).slice(-MOST_NAMES);
  const anew = { ...sent };
  if (formerly.length) anew.formerly = formerly;
  else delete anew.formerly;
  return anew;
}

/** What is said of one of a book, by the names its pens have now. */
export const inPensNow = (kept: Kept, now: PenName): Kept => ({
  ...kept,
  ...(kept.pen ? { pen: now(kept.pen) } : {}),
  ...(kept.moves ? { moves: kept.moves.map((move) => ({ ...move, pen: now(move.pen) })) } : {}),
  ...(kept.separations ? { separations: kept.separations.map((one) => ({ ...one, from: now(one.from) })) } : {}),
});

/** The same of a pairing. */
export const pairedInNow = <P extends Pick<Pairing, 'pen'>>(pairing: P, now: PenName): P =>
  pairing.pen ? { ...pairing, pen: now(pairing.pen) } : pairing;

interface Member {
  id: string;
  kept: Kept;
}

/** A pen with who is in it, and what is not as it should be. */
export interface PenState<M extends Member, P extends Pen> {
  name: string;
  /** What is written of it, where anything is. */
  pen?: P;
  here: M[];
  /** In it beyond what it holds. */
  over: number;
  /** In it, though it is kept for another strain. */
  strangers: M[];
  /** Rules that females and males in it would break. */
  mixed: NeverMix[];
}

/**
 * The pens of a book, by their names: those that are written down, and those that somebody is in.
 *
 * @param members with the names that pens have now.
 * @param shares of strains, by id of the individual.
 */
export function pensOf<M extends Member, P extends Pen>(
  members: readonly M[],
  pens: readonly P[],
  rules: readonly NeverMix[] = [],
  shares: ReadonlyMap<string, StrainShares> = new Map(),
): PenState<M, P>[] {
  const here = members.filter(({ kept }) => kept.status === 'here');
  const names = new Set([...pens.map(({ name }) => name), ...here.flatMap(({ kept }) => kept.pen || [])]);
  const shareOf = ({ id }: M): StrainShares => shares.get(id) ?? {};
  return [...names]
    .sort((a, b) => a.localeCompare(b, 'en', { numeric: true }))
    .map((name) => {
      const pen = pens.find((one) => one.name === name);
      const own = here.filter(({ kept }) => kept.pen === name);
      const may = (sex: 'female' | 'male') => own.filter(({ kept }) => (kept.sex?.called ?? sex) === sex);
      const mixed = new Set(
        may('male').flatMap((one) => may('female').flatMap((other) => mixedBy(rules, shareOf(one), shareOf(other)))),
      );
      return {
        ...{ name, here: own, mixed: [...mixed] },
        ...(pen ? { pen } : {}),
        over: pen?.holds === undefined ? 0 : Math.max(0, own.length - pen.holds),
        strangers: pen?.strain ? own.filter(({ kept }) => kept.strain && kept.strain !== pen.strain) : [],
      };
    });
}

/**
 * Who was in a pen on a day, by the moves that are written: from its last move to that day on, or all along where no move
 * is written and it had hatched.
 *
 * @param members with the names that pens have now.
 */
export const whoWasIn = <M extends Member>(members: readonly M[], pen: string, day: string): M[] =>
  members.filter(({ kept: { moves = [], pen: now, hatched } }) => {
    if (hatched !== undefined && hatched > day) return false;
    if (!moves.length) return now === pen;
    let last: (typeof moves)[number] | undefined;
    for (const move of moves) if (move.on <= day && (!last || move.on >= last.on)) last = move;
    return last?.pen === pen;
  });
