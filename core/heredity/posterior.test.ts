import { seeded } from '../probability';
import { readyQuestion, posteriorOf } from './posterior';
import { HeredityModel, Pedigree } from './schema';
import { enumerate } from './test/enumerate';
import { drawnCase } from './test/drawnCase';
import { locus } from './test/work';

const work = (model: object, pedigree: object[], asked: { id: string; locus: string }[][] = []) => {
  const [ready, kin] = [HeredityModel.parse(model), Pedigree.parse(pedigree)];
  const question = readyQuestion(ready, kin);
  if (!question.ok) throw new Error(JSON.stringify(question.problems));
  return posteriorOf(question.value, kin, asked);
};
const of = (found: ReturnType<typeof work>, id: string, locus: string) =>
  Object.fromEntries(
    found.individuals.find((one) => one.id === id)!.genotypes[locus].map(({ genotype, p }) => [genotype, +p.toFixed(9)]),
  );

describe('equals what is added up by hand', () => {
  it('on 500 drawn pedigrees with loops, doubtful parents and sexes, linkage, penetrance and lethal genotypes, to 1e-9', () => {
    const random = seeded('pedigrees');
    let impossible = 0;
    let checked = 0;
    for (let i = 0; i < 500; i++) {
      const { model, pedigree } = drawnCase(random);
      const [ready, kin] = [HeredityModel.parse(model), Pedigree.parse(pedigree)];
      const plain = enumerate(ready, kin);
      const question = readyQuestion(ready, kin);
      if (!question.ok) throw new Error(JSON.stringify([question.problems, model, pedigree]));
      const found = posteriorOf(question.value, kin);
      if (plain.total === 0) {
        expect([i, found.logLikelihood]).toEqual([i, undefined]);
        impossible++;
        continue;
      }
      const worst = { key: '', off: Math.abs(found.logLikelihood! - Math.log(plain.total)) };
      const hold = (key: string, p: number) => {
        const off = Math.abs(p - plain.of(key));
        checked++;
        if (off > worst.off) Object.assign(worst, { key, off });
      };
      for (const { id, sexP, genotypes, fathers = [], mothers = [] } of found.individuals) {
        hold(`${id} female`, sexP.female);
        hold(`${id} male`, sexP.male);
        for (const [locus, all] of Object.entries(genotypes)) {
          for (const { genotype, p } of all) hold(`${id} ${locus} ${genotype}`, p);
          expect(all.reduce((sum, { p }) => sum + p, 0)).toBeCloseTo(1, 9);
        }
        for (const { id: father, p } of fathers) hold(`${id} father ${father}`, p);
        for (const { id: mother, p } of mothers) hold(`${id} mother ${mother}`, p);
      }
      if (worst.off > 1e-9) throw new Error(`${i} ${JSON.stringify([worst, model, pedigree])}`);
    }
    expect(checked).toBeGreaterThan(4000);
    expect(impossible).toBeGreaterThan(5);
    expect(impossible).toBeLessThan(250);
  });
});

const ALBINO = {
  loci: [
    {
      id: 'c',
      inheritance: 'autosomal',
      alleles: [
        { id: 'C', frequency: 0.99 },
        { id: 'c', frequency: 0.01 },
      ],
      dominance: ['C', 'c'],
    },
  ],
};
const PALE = {
  system: 'ZW',
  loci: [
    {
      id: 'p',
      inheritance: 'sex-linked',
      alleles: [
        { id: '+', frequency: 0.9 },
        { id: 'p', frequency: 0.1 },
      ],
      dominance: ['+', 'p'],
    },
  ],
};

describe('textbook cases', () => {
  it('a plain young of two carriers carries in two of three', () => {
    const found = work(ALBINO, [
      { id: 'f' },
      { id: 'm' },
      { id: 'white', father: 'f', mother: 'm', phenotypes: { c: 'c' } },
      { id: 'plain', father: 'f', mother: 'm', phenotypes: { c: 'C' } },
    ]);
    // Both parents gave c. Of the rest of each: plain or (rarely) themselves white, by the frequency of c.
    const q = 0.01;
    const carrier = q * q * 0 + 2 * q * (1 - q) * 0.5 + (1 - q) ** 2 * 0.5;
    const young = q * q * 0 + 2 * q * (1 - q) * 0.5 + (1 - q) ** 2 * 0.75;
    expect(of(found, 'plain', 'c')).toEqual({ 'C/c': +(carrier / young).toFixed(9), 'C/C': +(1 - carrier / young).toFixed(9) });
    expect(carrier / young).toBeCloseTo(2 / 3, 2);
  });

  it('sex-linked (ZW): a pale male by a plain female has pale daughters and plain sons that carry', () => {
    const pair = [
      { id: 'f', sex: 'male', phenotypes: { p: 'p' } },
      { id: 'm', sex: 'female', phenotypes: { p: '+' } },
    ];
    const found = work(PALE, [
      ...pair,
      { id: 'd', sex: 'female', father: 'f', mother: 'm' },
      { id: 's', sex: 'male', father: 'f', mother: 'm' },
    ]);
    expect(of(found, 'd', 'p')).toEqual({ 'p/W': 1 });
    expect(of(found, 's', 'p')).toEqual({ '+/p': 1 });
    // So a pale young of them is a female, whoever called it a male.
    const sexed = work(PALE, [
      ...pair,
      { id: 'y', sex: { called: 'male', certainty: 0.95 }, father: 'f', mother: 'm', phenotypes: { p: 'p' } },
    ]);
    expect(sexed.individuals[2].sexP).toEqual({ female: 1, male: 0 });
  });

  it('and the other way round: a plain male by a pale female has plain young only, whose sons all carry', () => {
    const found = work(PALE, [
      { id: 'f', sex: 'male', phenotypes: { p: '+' } },
      { id: 'm', sex: 'female', phenotypes: { p: 'p' } },
      { id: 's', sex: 'male', father: 'f', mother: 'm', phenotypes: { p: '+' } },
    ]);
    // He may carry himself: 0.18 of 0.99; then half of his sons would be pale, and this one is not.
    const [pure, carrier] = [0.81, 0.18 / 2];
    expect(of(found, 'f', 'p')).toEqual({
      '+/+': +(pure / (pure + carrier)).toFixed(9),
      '+/p': +(carrier / (pure + carrier)).toFixed(9),
    });
    expect(of(found, 's', 'p')).toEqual({ '+/p': 1 });
  });

  it('sex-linked (XY): a carrier’s sons show it by half, her daughters by a plain male never', () => {
    const found = work({ ...PALE, system: 'XY' }, [
      { id: 'x', sex: 'male', phenotypes: { p: 'p' } },
      { id: 'carrier', sex: 'female', father: 'x', phenotypes: { p: '+' } },
      { id: 'f', sex: 'male', phenotypes: { p: '+' } },
      { id: 's', sex: 'male', father: 'f', mother: 'carrier' },
      { id: 'd', sex: 'female', father: 'f', mother: 'carrier' },
    ]);
    expect(of(found, 's', 'p')).toEqual({ '+/Y': 0.5, 'p/Y': 0.5 });
    expect(of(found, 'd', 'p')).toEqual({ '+/+': 0.5, '+/p': 0.5 });
  });

  const linked = (r: number) => ({
    loci: ['a', 'b'].map((id) => ({
      id,
      inheritance: 'autosomal',
      alleles: [
        { id: id.toUpperCase(), frequency: 0.5 },
        { id, frequency: 0.5 },
      ],
      dominance: [id.toUpperCase(), id],
      ...(id === 'b' ? { after: { locus: 'a', recombination: { male: r, female: r } } } : {}),
    })),
  });
  // A test cross: AB/ab (coupling) or Ab/aB (repulsion) by ab/ab.
  const cross = (first: object, second: object) => [
    { id: 'g1', sex: 'male', phenotypes: first },
    { id: 'g2', sex: 'female', phenotypes: second },
    { id: 'h', sex: 'male', father: 'g1', mother: 'g2', phenotypes: { a: 'A', b: 'B' } },
    { id: 't', sex: 'female', phenotypes: { a: 'a', b: 'b' } },
    { id: 'y', father: 'h', mother: 't' },
  ];
  const together = (found: ReturnType<typeof work>) =>
    Object.fromEntries(found.together[0].map(({ genotypes, p }) => [genotypes.join(' '), +p.toFixed(9)]));
  const asked = [
    [
      { id: 'y', locus: 'a' },
      { id: 'y', locus: 'b' },
    ],
  ];

  it('recombination in coupling: a fifth of the young of a double carrier are recombinants where r is 0.2', () => {
    // His mother shows neither, so she gave ab; he has AB from his father: AB/ab.
    const found = work(linked(0.2), cross({ a: 'A', b: 'B' }, { a: 'a', b: 'b' }), asked);
    expect(together(found)).toEqual({ 'A/a B/b': 0.4, 'a/a b/b': 0.4, 'A/a b/b': 0.1, 'a/a B/b': 0.1 });
  });

  it('and in repulsion the other way about', () => {
    // One parent shows A only and gave Ab; the other B only and gave aB: Ab/aB.
    const found = work(linked(0.2), cross({ a: 'A', b: 'b' }, { a: 'a', b: 'B' }), asked);
    expect(together(found)).toEqual({ 'A/a b/b': 0.4, 'a/a B/b': 0.4, 'A/a B/b': 0.1, 'a/a b/b': 0.1 });
  });

  it('a lethal homozygote leaves two smoky to one plain, not three to one', () => {
    const smoke = {
      loci: [
        {
          id: 's',
          inheritance: 'autosomal',
          alleles: [
            { id: '+', frequency: 0.8 },
            { id: 'S', frequency: 0.2 },
          ],
          lethal: ['S/S'],
        },
      ],
      characters: [{ id: 'wing', loci: ['s'], rules: [{ where: { s: { has: 'S' } }, shows: 'smoky' }, { shows: 'plain' }] }],
    };
    const pair = ['f', 'm'].map((id) => ({ id, phenotypes: { wing: 'smoky' } }));
    const young = { id: 'y', father: 'f', mother: 'm' };
    expect(of(work(smoke, [...pair, young]), 'y', 's')).toEqual({ '+/S': +(2 / 3).toFixed(9), '+/+': +(1 / 3).toFixed(9) });
    // An egg that did not hatch may have been one.
    expect(of(work(smoke, [...pair, { ...young, died: 'before hatching' }]), 'y', 's')).toEqual({
      '+/S': 0.5,
      '+/+': 0.25,
      'S/S': 0.25,
    });
  });
});

/** Pairs with five young each, whose young pair with somebody new; and two pairs of half sibs. */
function colony(n: number, random: () => number): object[] {
  const kin: { id: string; sex: string; father?: string; mother?: string; phenotypes: object }[] = [];
  const add = (sex: string, parents: object = {}) => {
    kin.push({ id: `k${kin.length}`, sex, ...parents, phenotypes: random() < 0.6 ? { l0: 'C' } : {} });
    return `k${kin.length - 1}`;
  };
  const open = [add('male'), add('male')];
  for (let loops = 0; kin.length < n;) {
    const father = open.shift()!;
    const mother = add('female');
    const young = Array.from({ length: 4 }, (_, i) => add(i % 2 ? 'female' : 'male', { father, mother }));
    const other = add('male', { father, mother: add('female') });
    open.push(young[0], young[2]);
    if (loops++ < 2) add('female', { father: other, mother: young[1] });
  }
  return kin;
}

describe('large pedigrees', () => {
  it('of 60 with three loci and two loops, and 300 with two, come to sums of 1', () => {
    const random = seeded('colony');
    for (const [n, loci] of [
      [60, 3],
      [300, 2],
    ]) {
      const model = {
        loci: Array.from({ length: loci }, (_, l) => ({
          ...ALBINO.loci[0],
          id: `l${l}`,
          alleles: [
            { id: 'C', frequency: 0.7 },
            { id: 'c', frequency: 0.3 },
          ],
        })),
      };
      const kin = colony(n, random);
      const found = work(model, kin);
      expect(found.logLikelihood).toBeLessThan(0);
      for (const { genotypes } of found.individuals)
        for (const all of Object.values(genotypes)) expect(all.reduce((sum, { p }) => sum + p, 0)).toBeCloseTo(1, 9);
    }
  });
});

describe('a closed colony of many generations', () => {
  it('is worked out exactly, though all of it hangs together in loops', () => {
    const random = seeded('a closed colony');
    const genes: [string, string][] = [];
    const pedigree: object[] = [];
    // Eight brothers with eight sisters or cousins, ten times over; every second generation has eight new mothers.
    for (let i = 0; i < 600; i++) {
      const [generation, place] = [Math.floor(i / 60), i % 60];
      const founder = generation === 0 || place < 8;
      const sex = place % 2 ? 'male' : 'female';
      const before = (generation - 1) * 60;
      const [father, mother] = [
        before + 2 * (place % 8) + 9,
        generation % 2 ? before + 2 * (place % 8) : generation * 60 + (place % 4) * 2,
      ];
      const drawn = (pair: [string, string]) => pair[random() < 0.5 ? 0 : 1];
      const allele = () => (random() < 0.3 ? 'a' : 'A');
      genes.push(founder ? [allele(), allele()] : [drawn(genes[father]), drawn(genes[mother])]);
      const shows = genes[i].includes('A') ? 'A' : 'a';
      const parents = founder ? {} : { father: `k${father}`, mother: `k${mother}` };
      pedigree.push({ id: `k${i}`, sex, ...parents, phenotypes: { a: shows } });
    }
    const alleles = [
      { id: 'A', frequency: 0.7 },
      { id: 'a', frequency: 0.3 },
    ];
    const { individuals, logLikelihood } = work({ loci: [locus('a', 'A', 'a', { alleles })] }, pedigree);
    expect(logLikelihood).toBeLessThan(0);
    // What is there at all was given a chance, and on the whole the chances are as good as they say.
    const chances = individuals.map(({ genotypes }, i) => {
      const own = genes[i].toSorted().join('/');
      return genotypes.a.find(({ genotype }) => genotype === own)?.p ?? 0;
    });
    expect(Math.min(...chances)).toBeGreaterThan(0);
    const expected = individuals.reduce((sum, { genotypes }) => sum + genotypes.a.reduce((own, { p }) => own + p * p, 0), 0);
    expect(Math.abs(chances.reduce((a, b) => a + b) - expected) / 600).toBeLessThan(0.05);
  });
});
