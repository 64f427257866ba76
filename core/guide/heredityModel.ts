import { done, failed, type Outcome, type Problem } from '../problem';
import type { Expression, GenotypeTest, HeredityModel, Locus } from './hereditySchema';
import { type Sex, SEXES, type SexSystem } from './heredityVocabulary';

/** The sex chromosome that carries no allele of its own: the place of an allele where there is none. */
export const NONE = -1;

/** A locus made ready: alleles by number. */
export interface ReadyLocus {
  id: string;
  linked: boolean;
  alleles: readonly string[];
  /** Of founders; they sum to 1. */
  frequency: Float64Array;
  /** May a genotype live, by sex and its two alleles? */
  lives(sex: Sex, a: number, b: number): boolean;
  lethal: boolean;
  after?: { locus: number; recombination: Readonly<Record<'male' | 'female', number>> };
}

/** A character made ready. */
export interface ReadyCharacter {
  id: string;
  loci: readonly number[];
  states: readonly string[];
  /** The chance of each state, by sex and the pairs of alleles at its loci. */
  shows(sex: Sex, genotype: readonly (readonly [number, number])[]): readonly number[];
}

export interface ReadyModel {
  /** The sex with one place empty at loci on the sex chromosome. */
  uneven: Sex;
  loci: readonly ReadyLocus[];
  characters: readonly ReadyCharacter[];
  /** As people write it: `S/s`, `p/W`. */
  sayGenotype(locus: number, a: number, b: number): string;
}

/** How common alleles are said to be, by locus: each locus there, each of its alleles named, and all of it 1. */
export function frequencyProblems(
  loci: readonly Locus[],
  said: Readonly<Record<string, Readonly<Record<string, number>>>>,
  field: string,
): Problem[] {
  return Object.entries(said).flatMap(([locus, alleles]) => {
    const known = loci.find(({ id }) => id === locus)?.alleles.map(({ id }) => id);
    if (!known) return [problem('no-locus', `${field}.${locus}`, `There is no locus “${locus}”.`)];
    if (known.length !== Object.keys(alleles).length || !known.every((id) => id in alleles))
      return [problem('frequencies', `${field}.${locus}`, `Say how common each allele is: ${known.join(', ')}.`)];
    const sum = Object.values(alleles).reduce((all, one) => all + one, 0);
    return Math.abs(sum - 1) > 1e-6
      ? [problem('frequencies', `${field}.${locus}`, `The frequencies come to ${+sum.toFixed(4)}; let them come to 1.`)]
      : [];
  });
}

/** Genotypes of a character's loci together, at most. */
const MOST_GENOTYPES = 20_000;

/** The sex with two different sex chromosomes, and how that without an allele is written. */
const unevenOf = (system: SexSystem): Sex => (system === 'ZW' ? 'female' : 'male');
export const EMPTY: Record<SexSystem, string> = { ZW: 'W', XY: 'Y' };

const problem = (code: string, field: string, message: string): Problem => ({ code, field, message });

/** Make a model ready; or what is wrong with it, each by its field. */
export function readyModel(model: HeredityModel): Outcome<ReadyModel> {
  const problems: Problem[] = [];
  const uneven = unevenOf(model.system);
  const empty = EMPTY[model.system];
  const places = new Map(model.loci.map(({ id }, i) => [id, i]));
  if (places.size < model.loci.length)
    problems.push(problem('locus-twice', 'loci', 'Two loci have the same id; give each its own.'));
  const sayOf = (locus: Locus, a: number, b: number) => {
    const word = (one: number) => (one === NONE ? empty : locus.alleles[one].id);
    return b === NONE
      ? `${word(a)}/${empty}`
      : a === NONE
        ? `${word(b)}/${empty}`
        : a <= b
          ? `${word(a)}/${word(b)}`
          : `${word(b)}/${word(a)}`;
  };
  const loci = model.loci.map((locus, i): ReadyLocus => {
    const field = `loci[${i}]`;
    const linked = locus.inheritance === 'sex-linked';
    const ids = locus.alleles.map(({ id }) => id);
    if (new Set(ids).size < ids.length || (linked && ids.includes(empty)))
      problems.push(
        problem(
          'allele-twice',
          `${field}.alleles`,
          `Alleles of a locus have different ids${linked ? `, and none is called “${empty}”` : ''}.`,
        ),
      );
    const sum = locus.alleles.reduce((all, { frequency }) => all + frequency, 0);
    if (Math.abs(sum - 1) > 1e-6)
      problems.push(
        problem(
          'frequencies',
          `${field}.alleles`,
          `The frequencies of the alleles come to ${+sum.toFixed(4)}; let them come to 1.`,
        ),
      );
    const known = new Set(genotypesOf(locus, uneven).map(({ a, b }) => sayOf(locus, a, b)));
    const lethal = new Set(locus.lethal?.map((written) => tidy(written, locus, empty)));
    locus.lethal?.forEach((written, k) => {
      if (!known.has(tidy(written, locus, empty)))
        problems.push(
          problem(
            'no-genotype',
            `${field}.lethal[${k}]`,
            `“${written}” is no genotype of this locus; write one such as “${[...known][0]}”.`,
          ),
        );
    });
    const order = locus.dominance;
    if (order && (order.length !== ids.length || new Set(order).size !== ids.length || !order.every((one) => ids.includes(one))))
      problems.push(
        problem('dominance', `${field}.dominance`, 'Name every allele once, from the most dominant to the most recessive.'),
      );
    const before = locus.after && places.get(locus.after.locus);
    if (locus.after && (before === undefined || before >= i || model.loci[before].inheritance !== locus.inheritance))
      problems.push(
        problem(
          'no-locus-before',
          `${field}.after.locus`,
          'Name a locus that stands before this one, on the same kind of chromosome.',
        ),
      );
    if (before !== undefined && model.loci.some((other, k) => k < i && other.after?.locus === locus.after!.locus))
      problems.push(
        problem('forked', `${field}.after.locus`, 'Loci of a chromosome stand in one line; two cannot follow the same one.'),
      );
    return {
      id: locus.id,
      linked,
      alleles: ids,
      frequency: Float64Array.from(locus.alleles, ({ frequency }) => frequency / sum),
      lethal: lethal.size > 0,
      lives: (_, a, b) => !lethal.has(sayOf(locus, a, b)),
      ...(before === undefined ? {} : { after: { locus: before, recombination: locus.after!.recombination } }),
    };
  });
  checkLethal(loci, problems);
  const own = model.loci.flatMap((locus): Expression[] => (locus.dominance ? [byDominance(locus)] : []));
  const characters = [...own, ...model.characters];
  const ids = characters.map(({ id }) => id);
  if (new Set(ids).size < ids.length)
    problems.push(
      problem(
        'character-twice',
        'characters',
        'Two characters have the same id, or one has that of a locus with a dominance; give each its own.',
      ),
    );
  const ready = characters.map((one, i) => readyCharacter(model, one, i - own.length, places, uneven, empty, problems));
  if (problems.length) return failed(...problems);
  const sayGenotype = (locus: number, a: number, b: number) => sayOf(model.loci[locus], a, b);
  return done({ uneven, loci, characters: ready as ReadyCharacter[], sayGenotype });
}

/** A genotype as it is written here, whichever way round somebody wrote it. */
function tidy(written: string, { alleles }: Locus, empty: string): string {
  const [a, b = empty] = written.split('/');
  const at = (one: string) => (one === empty ? Infinity : alleles.findIndex(({ id }) => id === one));
  return at(a) <= at(b) ? `${a}/${b}` : `${b}/${a}`;
}

/** Every genotype of a locus, unordered, with the sexes that may have it. */
function genotypesOf(locus: Locus, uneven: Sex): { a: number; b: number; sexes: Sex[] }[] {
  const linked = locus.inheritance === 'sex-linked';
  const pairs = locus.alleles.flatMap((_, a) =>
    locus.alleles.flatMap((__, b) =>
      b >= a ? [{ a, b, sexes: linked ? SEXES.filter((sex) => sex !== uneven) : [...SEXES] }] : [],
    ),
  );
  return linked ? [...pairs, ...locus.alleles.map((_, a) => ({ a, b: NONE, sexes: [uneven] }))] : pairs;
}

/** Every genotype of a locus as it is written: those of either sex, of a locus of a sex chromosome those of the uneven sex last. */
export function writtenGenotypes(locus: Locus, system: SexSystem): string[] {
  const uneven = unevenOf(system);
  const word = (a: number) => (a === NONE ? EMPTY[system] : locus.alleles[a].id);
  return genotypesOf(locus, uneven).map(({ a, b }) => `${word(a)}/${word(b)}`);
}

/** Who dies of one locus and who of another must not hang together, or the living would not be told apart exactly. */
function checkLethal(loci: readonly ReadyLocus[], problems: Problem[]): void {
  const groupOf = (i: number): string => {
    if (loci[i].linked) return 'sex';
    const { after } = loci[i];
    return after ? groupOf(after.locus) : loci[i].id;
  };
  const seen = new Set<string>();
  loci.forEach(({ lethal, after }, i) => {
    if (!lethal) return;
    if (after && after.locus >= i) return;
    const group = groupOf(i);
    if (seen.has(group))
      problems.push(problem('lethal-twice', `loci[${i}].lethal`, 'Only one locus of a chromosome may have lethal genotypes.'));
    seen.add(group);
  });
}

/** A locus seen by itself: the most dominant allele that is there shows. */
const byDominance = ({ id, dominance = [] }: Locus): Expression => ({
  id,
  loci: [id],
  rules: dominance.map((allele) => ({ where: { [id]: { has: allele } }, shows: allele })),
});

function readyCharacter(
  { loci }: HeredityModel,
  { id, loci: named, rules }: Expression,
  i: number,
  places: ReadonlyMap<string, number>,
  uneven: Sex,
  empty: string,
  problems: Problem[],
): ReadyCharacter | undefined {
  const field = `characters[${i}]`;
  const before = problems.length;
  named.forEach((one, k) => {
    if (!places.has(one)) problems.push(problem('no-locus', `${field}.loci[${k}]`, `There is no locus “${one}”.`));
  });
  rules.forEach(({ where, shows }, k) => {
    const at = `${field}.rules[${k}]`;
    for (const [one, test] of Object.entries(where)) {
      const locus = loci[places.get(one) ?? -1];
      const words = 'is' in test ? test.is.split('/') : ['has' in test ? test.has : test.only];
      const strange = locus && words.find((word) => word !== empty && !locus.alleles.some((allele) => allele.id === word));
      if (!named.includes(one))
        problems.push(problem('other-locus', `${at}.where`, `“${one}” is none of the loci of this character.`));
      else if (strange !== undefined)
        problems.push(problem('no-allele', `${at}.where.${one}`, `There is no allele “${strange}” of “${one}”.`));
    }
    const sum = typeof shows === 'string' ? 1 : Object.values(shows).reduce((all, one) => all + one, 0);
    if (Math.abs(sum - 1) > 1e-6)
      problems.push(problem('shares', `${at}.shows`, `The shares come to ${+sum.toFixed(4)}; let them come to 1.`));
  });
  const genotypes = named.reduce((all, one) => all * genotypesOf(loci[places.get(one) ?? 0], uneven).length, 1);
  if (genotypes > MOST_GENOTYPES)
    problems.push(
      problem(
        'too-many-genotypes',
        `${field}.loci`,
        `These loci have ${genotypes} genotypes together; no more than ${MOST_GENOTYPES} are looked at. Name fewer loci, or fewer alleles.`,
      ),
    );
  if (problems.length > before) return undefined;
  const states = [...new Set(rules.flatMap(({ shows }) => (typeof shows === 'string' ? [shows] : Object.keys(shows))))];
  const own = named.map((one) => places.get(one)!);
  const meets = (test: GenotypeTest, locus: number, a: number, b: number) => {
    const words = [a, b].map((one) => (one === NONE ? empty : loci[locus].alleles[one].id));
    if ('has' in test) return words.includes(test.has);
    if ('only' in test) return words.every((word) => word === test.only || word === empty) && words.includes(test.only);
    return tidy(test.is, loci[locus], empty) === tidy(words.join('/'), loci[locus], empty);
  };
  const ruleFor = (sex: Sex, genotype: readonly (readonly [number, number])[]) =>
    rules.find(
      (rule) =>
        (rule.sex === undefined || rule.sex === sex) &&
        Object.entries(rule.where).every(([one, test]) => {
          const k = named.indexOf(one);
          return meets(test, own[k], ...genotype[k]);
        }),
    );
  for (const sex of SEXES)
    for (const genotype of combined(
      own.map((locus) => genotypesOf(loci[locus], uneven).filter(({ sexes }) => sexes.includes(sex))),
    ))
      if (
        !ruleFor(
          sex,
          genotype.map(({ a, b }) => [a, b] as const),
        )
      ) {
        problems.push(
          problem(
            'not-said',
            `${field}.rules`,
            `No rule says what a ${sex} shows with some genotypes; end with a rule for all that are left.`,
          ),
        );
        return undefined;
      }
  const cache = new Map<string, readonly number[]>();
  return {
    id,
    loci: own,
    states,
    shows(sex, genotype) {
      const key = `${sex} ${genotype.join(' ')}`;
      let shares = cache.get(key);
      if (!shares) {
        const { shows } = ruleFor(sex, genotype)!;
        shares = states.map((state) => (typeof shows === 'string' ? Number(shows === state) : (shows[state] ?? 0)));
        cache.set(key, shares);
      }
      return shares;
    },
  };
}

/** All ways to take one of each list. */
export function combined<T>(lists: readonly (readonly T[])[]): T[][] {
  return lists.reduce<T[][]>((all, list) => all.flatMap((taken) => list.map((one) => [...taken, one])), [[]]);
}
