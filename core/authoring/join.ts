import type { Contrast } from './contrasts';
import { sayingOf, wordsIn } from './words';

/** What a person decided about which contrasts are one character. */
export interface Decisions {
  /** Contrasts that are characters of their own, whatever they are like. */
  alone?: readonly string[];
  /** Pairs of contrasts that are one character. */
  join?: readonly (readonly [string, string])[];
}

/** Contrasts that may be one character, with why; a person joins them or leaves them apart. */
export interface Proposal {
  a: string;
  b: string;
  why: string;
}

/** No character has more states than a guide allows. */
const MOST_STATES = 60;
/** Proposals at most: nobody looks at more. */
const MOST_PROPOSALS = 200;

/** How a state is known again in another couplet. */
export const stateKey = (value: string): string => sayingOf(value) || value.toLowerCase();

/** What is told apart: its states; or the numbers at which a line is parted. */
const statesOf = ({ sides }: Contrast): string[] =>
  sides.flatMap(({ values, quantity }) => (quantity ? [`${quantity.low}<`, `>${quantity.high}`] : values.map(stateKey)));

/** Numbers of the same of the same structure are the same character. */
const numberKey = ({ structure, measure }: Contrast): string | undefined =>
  measure &&
  `${sayingOf(structure)}|${measure.kind}|${sayingOf(measure.of)}|${measure.kind === 'measurement' ? dimension(measure.unit) : ''}`;

const dimension = (unit: string | undefined) => (unit && /^(?:µm|mm|cm|m|km)$/.test(unit) ? 'length' : (unit ?? ''));

/** Do two of one structure speak of the same? They share a state, or the same is said of them. */
function speakAlike(a: Contrast, b: Contrast): boolean {
  const own = new Set(statesOf(a));
  return statesOf(b).some((state) => own.has(state)) || (a.property !== undefined && a.property === b.property);
}

class Groups {
  readonly of: Map<string, string>;
  readonly states: Map<string, Set<string>>;
  constructor(contrasts: readonly Contrast[]) {
    this.of = new Map(contrasts.map(({ id }) => [id, id]));
    this.states = new Map(contrasts.map((contrast) => [contrast.id, new Set(statesOf(contrast))]));
  }
  root(id: string): string {
    let at = id;
    while (this.of.get(at) !== at) {
      const up = this.of.get(at)!;
      this.of.set(at, this.of.get(up)!);
      at = up;
    }
    return at;
  }
  join(a: string, b: string): void {
    const [one, other] = [this.root(a), this.root(b)];
    if (one === other) return;
    const [mine, yours] = [this.states.get(one)!, this.states.get(other)!];
    const all = new Set([...mine, ...yours]);
    if (all.size > MOST_STATES) return;
    this.of.set(other, one);
    this.states.set(one, all);
  }
}

const byKey = <T>(all: readonly T[], keyOf: (one: T) => string | undefined): T[][] => {
  const found = new Map<string, T[]>();
  for (const one of all) {
    const key = keyOf(one);
    if (key) found.set(key, [...(found.get(key) ?? []), one]);
  }
  return [...found.values()];
};

/**
 * Which contrasts are one character: the same structure with a state in common, of the same property, or measured
 * alike. What a person decided goes before. What may be one, and is not taken for one, is proposed.
 */
export function joined(
  contrasts: readonly Contrast[],
  { alone = [], join = [] }: Decisions,
): { groups: Contrast[][]; proposals: Proposal[] } {
  const groups = new Groups(contrasts);
  const apart = new Set(alone);
  const free = contrasts.filter(({ id }) => !apart.has(id));
  const nominal = free.filter(({ measure }) => !measure);
  for (const same of byKey(free, numberKey)) for (const one of same) groups.join(same[0].id, one.id);
  const structures = byKey(nominal, ({ structure }) => sayingOf(structure) || undefined);
  for (const same of structures)
    for (let b = 1; b < same.length; b++) {
      const like = same.slice(0, b).find((a) => speakAlike(a, same[b]));
      if (like) groups.join(like.id, same[b].id);
    }
  const known = new Map(contrasts.map((contrast) => [contrast.id, contrast]));
  for (const [a, b] of join) {
    const [one, other] = [known.get(a), known.get(b)];
    if (one && other && (one.measure === undefined) === (other.measure === undefined)) groups.join(a, b);
  }
  const made = byKey(contrasts, ({ id }) => groups.root(id));
  return { groups: made, proposals: proposalsOf(contrasts, structures, groups) };
}

function proposalsOf(contrasts: readonly Contrast[], structures: readonly Contrast[][], groups: Groups): Proposal[] {
  const found = new Map<string, Proposal>();
  const propose = (a: Contrast, b: Contrast, why: string) => {
    const [one, other] = [groups.root(a.id), groups.root(b.id)];
    const pair = [one, other].sort().join('~');
    if (one !== other && !found.has(pair) && found.size < MOST_PROPOSALS) found.set(pair, { a: a.id, b: b.id, why });
  };
  for (const same of structures)
    for (let b = 1; b < same.length; b++) propose(same[0], same[b], `both speak of “${same[0].structure}”`);
  const states = contrasts.flatMap((contrast) =>
    contrast.measure || !contrast.structure
      ? []
      : contrast.sides.flatMap(({ values }) =>
          values.filter((value) => wordsIn(value).some(({ kind }) => kind === 'thing')).map((value) => ({ contrast, value })),
        ),
  );
  for (const same of byKey(states, ({ value }) => stateKey(value)))
    for (let b = 1; b < same.length; b++) propose(same[0].contrast, same[b].contrast, `both may be “${same[0].value}”`);
  return [...found.values()];
}
