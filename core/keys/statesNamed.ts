import type { Character } from '../guide/working';
import { ALWAYS, HARDLY, NEARLY, OFTEN, SELDOM, USUALLY } from './hedges';

/** A text in small letters, with one space about each word and no marks between them. */
export const plain = (text: string) =>
  ` ${text
    .toLowerCase()
    .replace(/[’']/g, '')
    .replace(/[^\p{L}\p{N}%°./]+/gu, ' ')
    .trim()} `;

/** What stands for a state in a text, by its place among all. */
const STATE = /^@(\d+)$/;

/** Deny the state that follows, and those tied to it by "or" and "nor". */
const DENIES =
  /^(?:not|never|no|non|cannot|without|neither|nor|lacks?|lacking|except|excepting|excluding|unlike|(?:is|are|was|were|does|do|did|has|have|can|could|need)nt)$/;
/** Two words that deny what follows: "other than black". */
const DENIES_AS_TWO = new Set([
  'other than',
  'rather than',
  'instead of',
  'apart from',
  'far from',
  'free of',
  'free from',
  'devoid of',
  'anything but',
]);
/** May stand between a denial and what it denies without changing it. "Not only", "not entirely" are none of them. */
const FILLER = new Set(
  `a an any the of with in on to be been being is are look looks looking appear appears appearing called described as ever at all
  trace traces sign signs distinctly clearly`.split(/\s+/),
);
/** Two words that say how often, and deny nothing: `hedgeOf` reads them. */
const HOW_OFTEN = new RegExp(
  `^(?:(?:not|\\w+nt) (?:${ALWAYS}|${USUALLY}|${OFTEN}|${SELDOM})|(?:${NEARLY}) never|(?:${HARDLY}) ever)$`,
);
/** Half a denial, or one of something else: it is not clear what is meant. */
const UNCLEAR = /^(?:hardly|scarcely|barely|nowhere|none|nothing|absent|missing|instead|unless)$/;

/** The words of a text, names of states among them as `@` and their place; the longest first, so that "dark brown" is not taken for "brown" as well. */
function tokensOf(states: readonly { label: string }[], text: string): string[] {
  const labels = states
    .map(({ label }, k) => ({ k, label: plain(label) }))
    .filter(({ label }) => label.trim())
    .sort((a, b) => b.label.length - a.label.length);
  let left = plain(text).replaceAll(' ', '  ');
  for (const { k, label } of labels) left = left.split(label.replaceAll(' ', '  ')).join(`  @${k}  `);
  return left.split(' ').filter(Boolean);
}

/**
 * The states that a statement allows: those it names, or all others where it only denies. A denial reaches as far as
 * "or" and "nor" tie what follows to it; "but" ends it: "not black or brown", "not black but brown".
 *
 * @returns ids in the character's order; undefined where no state is named, or it is not clear what is denied ("hardly
 *   black", "not only black", "black and not so brown").
 */
export function statesNamed({ states = [] }: Pick<Character, 'states'>, text: string): string[] | undefined {
  const tokens = tokensOf(states, text);
  const named = new Set<number>();
  const denied = new Set<number>();
  const stateAt = (i: number) => (STATE.test(tokens[i] ?? '') ? Number(tokens[i].slice(1)) : undefined);
  /** Where the state stands that a denial before `i` speaks of. */
  const deniedFrom = (i: number): number | undefined => {
    while (FILLER.has(tokens[i])) i++;
    return stateAt(i) === undefined ? undefined : i;
  };
  for (let i = 0; i < tokens.length; i++) {
    const both = `${tokens[i]} ${tokens[i + 1]}`;
    const two = DENIES_AS_TWO.has(both);
    if (HOW_OFTEN.test(both)) i++;
    else if (two || DENIES.test(tokens[i])) {
      let at = deniedFrom(i + (two ? 2 : 1));
      if (at === undefined) return undefined;
      denied.add(stateAt(at)!);
      while (['or', 'nor'].includes(tokens[at + 1])) {
        const next = deniedFrom(at + 2);
        if (next === undefined) return undefined;
        denied.add(stateAt(next)!);
        at = next;
      }
      i = at;
      const after = tokens.slice(at + 1);
      // What follows without a word that ends the denial may be denied as well.
      if (after.some((word) => STATE.test(word)) && after[0] !== 'but' && !DENIES.test(after[0])) return undefined;
      if (after[0] === 'but') i++;
    } else if (UNCLEAR.test(tokens[i])) return undefined;
    else if (tokens[i] === 'but' && tokens.slice(i).some((word) => STATE.test(word))) return undefined;
    else if (stateAt(i) !== undefined) named.add(stateAt(i)!);
  }
  if ([...named].some((k) => denied.has(k))) return undefined;
  const allowed = (k: number) => (named.size ? named.has(k) : denied.size > 0 && !denied.has(k));
  const ids = states.filter((_, k) => allowed(k)).map(({ id }) => id);
  return ids.length ? ids : undefined;
}
