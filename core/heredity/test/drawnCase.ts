import type { RandomSource } from '../../probability';

const SEXES = ['female', 'male'] as const;
/** States that the plain way may have to go through. */
const MOST = 6_000;

/** A small model and a small pedigree, drawn: whatever the schema allows, small enough to be added up by hand. */
export function drawnCase(random: RandomSource): { model: object; pedigree: object[] } {
  const may = (p: number) => random() < p;
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  for (;;) {
    const nLoci = may(0.55) ? 1 : 2;
    const linked = may(0.4);
    const model = drawnModel(nLoci, linked);
    const n = 2 + Math.floor(random() * (nLoci === 1 ? 6 : 3));
    const sexes = Array.from({ length: n }, () => one(SEXES));
    let states = 1;
    const pedigree = Array.from({ length: n }, (_, i) => {
      const told = random();
      states *= 4 ** nLoci * (told < 0.75 ? 1 : 2);
      const sex = told < 0.7 ? sexes[i] : told < 0.85 ? { called: sexes[i], certainty: 0.5 + random() / 2 } : undefined;
      return {
        id: `k${i}`,
        ...(sex ? { sex } : {}),
        ...parentsOf(i),
        phenotypes: Object.fromEntries(
          charactersOf(model).flatMap(({ id, states: all }) => {
            if (!may(0.6)) return [];
            const seen = may(0.7) ? one(all) : { states: [one(all)], certainty: 0.6 + 0.4 * random() };
            return [[id, seen]];
          }),
        ),
        ...(may(0.1) ? { died: 'before hatching' } : {}),
      };

      function parentsOf(child: number): object {
        const before = (word: string) =>
          Array.from({ length: child }, (__, k) => k)
            .filter((k) => sexes[k] === word || may(0.03))
            .map((k) => `k${k}`);
        const given = (role: string, word: string) => {
          const able = before(word);
          if (!able.length || may(0.35)) return {};
          if (able.length > 1 && may(0.25)) {
            const several = able.slice(0, 2).map((id) => ({ id: id as string | null, weight: 1 + Math.floor(random() * 3) }));
            if (may(0.3)) several[0].id = null;
            states *= 2;
            return { [`${role}s`]: several };
          }
          return { [role]: one(able) };
        };
        const parents = { ...given('father', 'male'), ...given('mother', 'female') };
        if (Object.keys(parents).length === 1) states *= 4 ** nLoci;
        return parents;
      }
    });
    // A sole parent whose sex is said to be the other is refused by its field, and tested so.
    const wrong = pedigree.some(({ sex }, i) => typeof sex === 'string' && isSole(pedigree, `k${i}`, sex));
    if (states <= MOST && !wrong) return { model, pedigree };
  }

  function drawnModel(nLoci: number, linked: boolean) {
    const system = one(['ZW', 'XY'] as const);
    const loci = Array.from({ length: nLoci }, (_, l) => {
      const frequency = 0.1 + 0.8 * random();
      const inheritance = (l === 0 ? linked : may(0.3) || linked) ? 'sex-linked' : 'autosomal';
      return {
        id: `l${l}`,
        inheritance,
        alleles: [
          { id: 'A', frequency },
          { id: 'a', frequency: 1 - frequency },
        ],
        ...(may(0.6) ? { dominance: ['A', 'a'] } : {}),
        ...(l === 0 && may(0.25)
          ? { lethal: [may(0.5) ? 'A/A' : inheritance === 'sex-linked' ? `a/${system === 'ZW' ? 'W' : 'Y'}` : 'a/a'] }
          : {}),
      };
    });
    if (nLoci === 2 && loci[0].inheritance === loci[1].inheritance && may(0.7))
      Object.assign(loci[1], { after: { locus: 'l0', recombination: { male: random() / 2, female: random() / 2 } } });
    const both = loci.map(({ id }) => id);
    const characters = may(0.5)
      ? [
          {
            id: 'coat',
            loci: both,
            rules: [
              {
                where: { l0: one([{ only: 'a' }, { has: 'A' }, { is: 'A/a' }]) },
                ...(may(0.3) ? { sex: one(SEXES) } : {}),
                shows: { pale: 0.8, dark: 0.2 },
              },
              ...(nLoci === 2 ? [{ where: { l1: { only: 'a' } }, shows: 'spotted' }] : []),
              { shows: 'dark' },
            ],
          },
        ]
      : [];
    return { system, loci, characters };
  }
}

function charactersOf({
  loci,
  characters,
}: {
  loci: { id: string; dominance?: string[] }[];
  characters: { id: string; rules: { shows: string | object }[] }[];
}) {
  return [
    ...loci.flatMap(({ id, dominance }) => (dominance ? [{ id, states: dominance }] : [])),
    ...characters.map(({ id, rules }) => ({
      id,
      states: [...new Set(rules.flatMap(({ shows }) => (typeof shows === 'string' ? [shows] : Object.keys(shows))))],
    })),
  ];
}

const isSole = (pedigree: object[], id: string, sex: string): boolean =>
  pedigree.some((one) => (one as Record<string, unknown>)[sex === 'male' ? 'mother' : 'father'] === id);
