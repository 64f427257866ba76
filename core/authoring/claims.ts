import { DEFAULT_WORDS, type FrequencyWord } from '../guide/working';
import { type Destination, type Key, type Lead, topological } from '../keys';
import type { Claimed, KeyCharacter } from './characters';

/** What a key claims of one character, on the way to a place, and where it says so. */
export interface Claim {
  what: { states: Map<string, number>; hedge?: FrequencyWord } | { low: number; high: number };
  /** As `12a`. */
  from: ReadonlySet<string>;
  /** Two leads on the same way say what cannot both be; the later stands. */
  torn?: boolean;
}

/** Claims by character. */
export type Claims = ReadonlyMap<string, Claim>;

/** What each lead of a key says, by couplet and lead. */
export function claimsByLead(characters: readonly KeyCharacter[], keyNo: number): Map<string, Map<string, Claim>> {
  const found = new Map<string, Map<string, Claim>>();
  for (const { character, contrasts, claimed } of characters)
    for (const contrast of contrasts) {
      if (contrast.key !== keyNo) continue;
      for (const side of contrast.sides) {
        const place = leadPlace(contrast.couplet.id, side.lead);
        const own = found.get(place) ?? new Map<string, Claim>();
        const claim = claimOf(claimed(contrast, side), side.hedge, `${contrast.couplet.number}${side.lead}`);
        const known = own.get(character.id);
        own.set(character.id, known ? refined(known, claim) : claim);
        found.set(place, own);
      }
    }
  return found;
}

const leadPlace = (couplet: string, lead: string) => `${couplet}\n${lead}`;

function claimOf(claimed: Claimed, hedge: FrequencyWord | undefined, from: string): Claim {
  if ('low' in claimed) return { what: claimed, from: new Set([from]) };
  const { states, beside = [] } = claimed;
  // A state that is said outright is not met beside itself.
  const now = new Map(beside.flatMap((one) => (states.includes(one.state) ? [] : [[one.state, DEFAULT_WORDS[one.hedge]]])));
  const often = [...now.values()].reduce((sum, one) => sum + one, 0);
  // What is said outright is met no less than what is met beside it now and then, however much that is.
  const left = Math.max(1 - often, ...[...now.values()].filter((one) => one <= DEFAULT_WORDS.sometimes));
  const shares = [...states.map((state) => [state, left / states.length] as const), ...now];
  return {
    what: { states: new Map(shares.map(([state, share]) => [state, share / (left + often)])), ...(hedge ? { hedge } : {}) },
    from: new Set([from]),
  };
}

const bothFrom = (a: Claim, b: Claim): Set<string> => new Set([...a.from, ...b.from]);

/** A claim further on along the same way: what both allow; where nothing is, the later. */
function refined(before: Claim, after: Claim): Claim {
  const from = bothFrom(before, after);
  if ('low' in before.what || 'low' in after.what) {
    if (!('low' in before.what) || !('low' in after.what)) return { ...after, from };
    const [low, high] = [Math.max(before.what.low, after.what.low), Math.min(before.what.high, after.what.high)];
    return low > high ? { ...after, from, torn: true } : { what: { low, high }, from };
  }
  if (before.what.hedge || after.what.hedge) return { ...after, from };
  const known = before.what.states;
  const left = [...after.what.states].filter(([state]) => known.has(state));
  if (left.length === 0) return { ...after, from, torn: true };
  const all = left.reduce((sum, [, share]) => sum + share, 0);
  return { what: { states: new Map(left.map(([state, share]) => [state, share / all])) }, from };
}

/** Frequencies of a claim as numbers; a hedge as what it is usually taken for. */
function numbersOf(what: Extract<Claim['what'], { states: unknown }>): Map<string, number> {
  const scale = what.hedge ? DEFAULT_WORDS[what.hedge] : 1;
  return new Map([...what.states].map(([state, share]) => [state, share * scale]));
}

/** Claims of two ways to the same place: what either allows, in equal shares. */
function either(a: Claim, b: Claim): Claim {
  const from = bothFrom(a, b);
  const torn = a.torn || b.torn ? { torn: true } : {};
  if ('low' in a.what || 'low' in b.what) {
    if (!('low' in a.what) || !('low' in b.what)) return { ...a, from };
    return { what: { low: Math.min(a.what.low, b.what.low), high: Math.max(a.what.high, b.what.high) }, from, ...torn };
  }
  if (a.what.hedge === b.what.hedge && sameStates(a.what.states, b.what.states)) return { what: a.what, from, ...torn };
  const [mine, yours] = [numbersOf(a.what), numbersOf(b.what)];
  const states = new Map<string, number>();
  for (const state of new Set([...mine.keys(), ...yours.keys()]))
    states.set(state, ((mine.get(state) ?? 0) + (yours.get(state) ?? 0)) / 2);
  return { what: { states }, from, ...torn };
}

const sameStates = (a: ReadonlyMap<string, number>, b: ReadonlyMap<string, number>) =>
  a.size === b.size && [...a.keys()].every((state) => b.has(state));

/** What is claimed on every one of several ways; what one of them is silent on is not claimed. */
export function onAllWays(ways: readonly Claims[]): Claims {
  return ways.reduce((all, way) => {
    const both = new Map<string, Claim>();
    for (const [character, claim] of all) {
      const other = way.get(character);
      if (other) both.set(character, either(claim, other));
    }
    return both;
  });
}

/** A lead that names something, with all that is claimed on the ways to it. */
export interface Ending {
  to: Exclude<Destination, { kind: 'couplet' }>;
  couplet: string;
  lead: Lead;
  claims: Claims;
}

/**
 * The endings of a key with what it claims of each along its ways; couplets that nothing leads to, and leads that close
 * a circle, claim nothing. Each couplet is looked at once, however many ways lead to it.
 */
export function endingsOf(key: Key, byLead: ReadonlyMap<string, ReadonlyMap<string, Claim>>): Ending[] {
  const { order, circular } = topological(key);
  const closed = new Set(circular.map(({ lead }) => lead));
  const arriving = new Map<string, Claims[]>([[key.start, [new Map()]]]);
  const endings: Ending[] = [];
  for (const couplet of order) {
    const ways = arriving.get(couplet.id);
    if (!ways) continue;
    arriving.delete(couplet.id);
    const here = onAllWays(ways);
    for (const lead of couplet.leads) {
      if (closed.has(lead)) continue;
      const claims = new Map(here);
      for (const [character, claim] of byLead.get(leadPlace(couplet.id, lead.id)) ?? []) {
        const known = claims.get(character);
        claims.set(character, known ? refined(known, claim) : claim);
      }
      if (lead.to.kind === 'couplet') arriving.set(lead.to.couplet, [...(arriving.get(lead.to.couplet) ?? []), claims]);
      else endings.push({ to: lead.to, couplet: couplet.number, lead, claims });
    }
  }
  return endings;
}
