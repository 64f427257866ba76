import { seeded } from '../probability';
import { contradictionsOf } from './contradictions';
import { crossOf } from './cross';
import { kinshipsOf } from './kinship';
import { networkOf, solve } from './network';
import { posteriorOf, readyQuestion } from './posterior';
import { proofOf } from './proof';
import { recordsOf, sayRecord, withoutRecords } from './records';
import { HeredityModel, Pedigree } from './schema';
import { suspectsOf } from './suspects';
import { drawnCase } from './test/drawnCase';
import { ask, locus } from './test/work';

const PALE = { system: 'ZW', loci: [locus('p', '+', 'p', { inheritance: 'sex-linked' })] };

describe('a cross', () => {
  it('of two double heterozygotes is nine to three to three to one', () => {
    const carrier = (id: string) => ({ id, father: `${id}f`, mother: `${id}m`, phenotypes: { a: 'A', b: 'B' } });
    const parents = (id: string) => [
      { id: `${id}f`, phenotypes: { a: 'a', b: 'b' } },
      { id: `${id}m`, phenotypes: { a: 'A', b: 'B' } },
    ];
    const { question } = ask({ loci: [locus('a', 'A', 'a'), locus('b', 'B', 'b')] }, [
      ...parents('x'),
      carrier('x'),
      ...parents('y'),
      carrier('y'),
    ]);
    const { young, genotypes, inbreeding } = crossOf(question, 'x', 'y', 4)!;
    const of = (a: string, b: string) =>
      young.filter(({ shows }) => shows.a === a && shows.b === b).reduce((sum, { p }) => sum + 16 * p, 0);
    expect([of('A', 'B'), of('A', 'b'), of('a', 'B'), of('a', 'b')].map((p) => +p.toFixed(9))).toEqual([9, 3, 3, 1]);
    expect(genotypes.a.map(({ genotype, p }) => [genotype, +p.toFixed(9)])).toEqual([
      ['A/a', 0.5],
      ['A/A', 0.25],
      ['a/a', 0.25],
    ]);
    const white = young.find(({ sex, shows }) => sex === 'male' && shows.a === 'a' && shows.b === 'b')!;
    // A male of the sixteenth: 1 in 32; of four at least one: 1 − (31/32)⁴.
    expect(white.atLeastOne).toBeCloseTo(1 - (31 / 32) ** 4, 12);
    expect(white.expected).toBeCloseTo(4 / 32, 12);
    expect(inbreeding).toBe(0);
  });

  it('of a parent that may or may not carry mixes both, and does not take the young for independent', () => {
    // She gave p to a daughter's brother? No: his mother is pale, so he carries; his brother may.
    const { question } = ask(PALE, [
      { id: 'f', sex: 'male', phenotypes: { p: '+' } },
      { id: 'm', sex: 'female', phenotypes: { p: 'p' } },
      { id: 's', sex: 'male', father: 'f', mother: 'm' },
      { id: 'x', sex: 'male', phenotypes: { p: '+' } },
      { id: 'd', sex: 'female', phenotypes: { p: '+' } },
    ]);
    // x is a plain male of unknown parents: carries with 0.18 of 0.99.
    const carrier = 0.18 / 0.99;
    const { young } = crossOf(question, 'x', 'd', 6)!;
    const pale = young.find(({ shows }) => shows.p === 'p')!;
    expect(pale).toMatchObject({ sex: 'female' });
    expect(pale.p).toBeCloseTo(carrier / 4, 12);
    expect(pale.atLeastOne).toBeCloseTo(carrier * (1 - 0.75 ** 6), 12);
    expect(young.filter(({ sex }) => sex === 'male').map(({ shows }) => shows.p)).toEqual(['+']);
    // A male and a male have no young, nor has one with itself.
    expect(crossOf(question, 'x', 's', 6)).toBeUndefined();
  });

  it('is what a young added to the pedigree would be, on 60 drawn pedigrees', () => {
    const random = seeded('crosses');
    let checked = 0;
    for (let i = 0; i < 60; i++) {
      const { model, pedigree } = drawnCase(random);
      const plain = pedigree as { id: string; sex?: unknown }[];
      const [f, m] = [plain[0].id, plain[1].id];
      const { question } = ask(model, pedigree);
      const cross = crossOf(question, f, m, 3);
      const added = readyQuestion(
        HeredityModel.parse(model),
        Pedigree.parse([...pedigree, { id: 'young', father: f, mother: m }]),
      );
      if (!added.ok) {
        expect(cross).toBeUndefined();
        continue;
      }
      const posterior = posteriorOf(added.value, Pedigree.parse([...pedigree, { id: 'young', father: f, mother: m }]));
      expect([i, cross === undefined]).toEqual([i, posterior.logLikelihood === undefined]);
      if (!cross) continue;
      const own = posterior.individuals.at(-1)!;
      for (const [id, all] of Object.entries(cross.genotypes))
        for (const { genotype, p } of all) {
          // The chance that it lived is not asked of it twice: a cross looks at living young, and so does the pedigree.
          expect(own.genotypes[id].find((one) => one.genotype === genotype)!.p).toBeCloseTo(p, 9);
          checked++;
        }
    }
    expect(checked).toBeGreaterThan(20);
  });
});

describe('kinship and inbreeding', () => {
  const F = (pedigree: object[], id: string) => {
    const { question } = ask(PALE, pedigree);
    return kinshipsOf(question.kin).inbreeding(question.placeOf.get(id)!);
  };
  const of = (id: string, father: string, mother: string) => ({ id, father, mother });

  it('of young of half sibs is 1/8, of cousins 1/16, of a father and his daughter 1/4', () => {
    const founders = ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id }));
    expect(F([...founders, of('x', 'a', 'b'), of('y', 'a', 'c'), of('z', 'x', 'y')], 'z')).toBe(1 / 8);
    expect(
      F([...founders, of('x', 'a', 'b'), of('y', 'a', 'b'), of('p', 'x', 'c'), of('q', 'd', 'y'), of('z', 'p', 'q')], 'z'),
    ).toBe(1 / 16);
    expect(F([...founders, of('x', 'a', 'b'), of('z', 'a', 'x')], 'z')).toBe(1 / 4);
  });

  it('of a line of full sibs runs 1/4, 3/8, 1/2, 19/32, and of half sibs 1/8, 7/32, 39/128 (Wright 1921)', () => {
    const sibs = [
      { id: 'f0' },
      { id: 'm0' },
      ...[1, 2, 3, 4, 5].flatMap((g) => [of(`f${g}`, `f${g - 1}`, `m${g - 1}`), of(`m${g}`, `f${g - 1}`, `m${g - 1}`)]),
    ];
    expect([2, 3, 4, 5].map((g) => F(sibs, `f${g}`))).toEqual([1 / 4, 3 / 8, 1 / 2, 19 / 32]);
    // One male to his half sisters, who are half sisters of each other: each has a mother of her own.
    const half: object[] = [{ id: 'f0' }, ...[0, 1, 2, 3, 4].map((i) => ({ id: `m0${i}` }))];
    for (const g of [1, 2, 3, 4]) {
      half.push(of(`f${g}`, `f${g - 1}`, `m${g - 1}0`));
      for (let i = 0; i < 5 - g; i++) half.push(of(`m${g}${i}`, `f${g - 1}`, `m${g - 1}${i + 1}`));
    }
    expect([2, 3, 4].map((g) => F(half, `f${g}`))).toEqual([1 / 8, 7 / 32, 39 / 128]);
  });

  it('of one whose father may be one of two is the mean of both', () => {
    const pedigree = [
      { id: 'a' },
      { id: 'b' },
      { id: 'c' },
      of('m', 'a', 'b'),
      {
        id: 'z',
        mother: 'm',
        fathers: [
          { id: 'a', weight: 3 },
          { id: 'c', weight: 1 },
        ],
      },
    ];
    expect(F(pedigree, 'z')).toBeCloseTo((3 / 4) * (1 / 4), 12);
  });
});

describe('proof', () => {
  const A = { loci: [locus('a', 'A', 'a')] };

  it('by a recessive mate takes five plain young from even chances to 95 in 100, and by a carrier eleven', () => {
    const { question } = ask(A, [
      // Of a carrier and one that is free: an even chance.
      { id: 'p', sex: 'male', phenotypes: { a: 'a' } },
      { id: 'q', sex: 'female', phenotypes: { a: 'A' } },
      { id: 'carrier', sex: 'female', father: 'p', mother: 'q', phenotypes: { a: 'A' } },
      { id: 'free', sex: 'male', phenotypes: { a: 'A' } },
      { id: 'x', sex: 'male', father: 'free', mother: 'carrier', phenotypes: { a: 'A' } },
      { id: 'white', sex: 'female', phenotypes: { a: 'a' } },
    ]);
    const [white, carrier] = proofOf(question, {
      id: 'x',
      locus: 'a',
      allele: 'a',
      shows: { character: 'a', state: 'a' },
      mates: ['carrier', 'white', 'p'],
      sure: 0.95,
    });
    // “free” is a plain male of unknown parents, free with 0.81 of 0.99: x carries a little oftener than by half.
    const cF = 0.18 / 0.99;
    const plain = (1 - cF) * 1 + cF * 0.75;
    const carries = ((1 - cF) * 0.5 + cF * 0.5) / plain;
    expect(white).toMatchObject({ mate: 'white', telling: 2 });
    expect(white.carrier).toBeCloseTo(carries, 12);
    // After n plain young of a recessive mate: free / (free + carries / 2ⁿ).
    const clear = (n: number) => (1 - carries) / (1 - carries + carries / 2 ** n);
    expect(clear(white.young!)).toBeGreaterThanOrEqual(0.95);
    expect(clear(white.young! - 1)).toBeLessThan(0.95);
    expect(white.young).toBe(5);
    expect(white.found[2]).toBeCloseTo(carries * (1 - 1 / 8), 12);
    // With a carrier one young in four tells: (3/4)ⁿ.
    expect(carrier).toMatchObject({ mate: 'carrier', telling: 4, young: 11 });
    // A male is no mate of a male.
    expect(
      proofOf(question, { id: 'x', locus: 'a', allele: 'a', shows: { character: 'a', state: 'a' }, mates: ['p'], sure: 0.95 }),
    ).toEqual([]);
  });
});

describe('what does not fit', () => {
  const white = (id: string, more: object) => ({ id, phenotypes: { a: 'a' }, ...more });
  const A = { loci: [locus('a', 'A', 'a')] };

  it('is named by the smallest sets of records that must be wrong, ranked by how often such are', () => {
    const { question } = ask(A, [
      white('f', { sex: 'male' }),
      white('m', { sex: 'female' }),
      { id: '14', father: 'f', mother: 'm', phenotypes: { a: 'A' } },
      { id: 'other' },
    ]);
    const [found, ...others] = contradictionsOf(question);
    expect(others).toEqual([]);
    expect(found.map(({ records }) => records.map(sayRecord).join(' and '))).toEqual([
      'father of 14',
      'mother of 14',
      '14: a',
      'f: a',
      'm: a',
    ]);
    expect(found[0].p).toBeCloseTo(0.05 / 0.09, 12);
    expect(found.reduce((sum, { p }) => sum + p, 0)).toBeCloseTo(1, 12);
  });

  it('tells of a sex called wrongly: a pale son of a plain father is a daughter, or one of three others is wrong', () => {
    const { question } = ask(PALE, [
      { id: 'f', sex: 'male', father: 'ff', phenotypes: { p: '+' } },
      { id: 'ff', sex: 'male', phenotypes: { p: '+' } },
      { id: 'm', sex: 'female', phenotypes: { p: '+' } },
      { id: 's', sex: 'male', father: 'f', mother: 'm', phenotypes: { p: 'p' } },
    ]);
    const said = contradictionsOf(question)[0].map(({ records }) => records.map(sayRecord).join(' and '));
    expect(said[0]).toBe('sex of s');
    expect(said).toContain('m: p');
    expect(said).toContain('mother of s');
    // His father may carry it: that is no way out, for a son needs it of both.
    expect(said).not.toContain('father of s');
  });

  it('is nothing where all can be true', () => {
    expect(contradictionsOf(ask(A, [white('f', {}), { id: 'y', father: 'f', phenotypes: { a: 'A' } }]).question)).toEqual([]);
  });

  it('is told matter by matter, however many there are', () => {
    const family = (k: number) => [
      white(`f${k}`, { sex: 'male', father: 'first' }),
      white(`m${k}`, { sex: 'female' }),
      { id: `y${k}`, father: `f${k}`, mother: `m${k}`, phenotypes: { a: 'A' } },
    ];
    const { question } = ask(A, [{ id: 'first', sex: 'male' }, ...Array.from({ length: 9 }, (_, k) => family(k)).flat()]);
    const matters = contradictionsOf(question);
    expect(matters.map((sets) => sets.map(({ records }) => records.map(sayRecord).join(' and ')).join('; ')).sort()).toEqual(
      Array.from({ length: 9 }, (_, k) => `father of y${k}; f${k}: a; m${k}: a; mother of y${k}; y${k}: a`),
    );
    const dropped = matters.flatMap(([first]) => first.records);
    expect(solve(networkOf(question.model, withoutRecords(question, dropped)), false).logSum).toBeGreaterThan(-Infinity);
  });

  it('finds the same as trying every set of one and of two records, on 30 drawn pedigrees that do not fit', () => {
    const random = seeded('contradictions');
    let seen = 0;
    for (let i = 0; seen < 30 && i < 4000; i++) {
      const { model, pedigree } = drawnCase(random);
      const { question } = ask(model, pedigree);
      const fits = (dropped: ReturnType<typeof recordsOf>) =>
        solve(networkOf(question.model, withoutRecords(question, dropped)), false).logSum > -Infinity;
      if (fits([])) continue;
      seen++;
      const all = recordsOf(question);
      const ones = all.filter((one) => fits([one])).map((one) => [one]);
      const twos = all.flatMap((one, k) => all.slice(k + 1).flatMap((other) => (fits([one, other]) ? [[one, other]] : [])));
      const say = (sets: ReturnType<typeof recordsOf>[]) => sets.map((set) => set.map(sayRecord).sort().join()).sort();
      // One of each matter, in every way.
      const found = contradictionsOf(question)
        .map((matter) => matter.map(({ records }) => records))
        .reduce((ways, sets) => ways.flatMap((way) => sets.map((own) => [...way, ...own])), [[]]);
      if (ones.length || twos.length) expect([i, say(found)]).toEqual([i, say(ones.length ? ones : twos)]);
      else expect(found.map((set) => set.length > 2 && fits(set))).toEqual(found.map(() => true));
    }
    expect(seen).toBe(30);
  });
});

describe('whose egg it is', () => {
  it('is told by how surely each was sexed, and the order to separate them by it', () => {
    const called = (id: string, certainty: number) => ({ id, sex: { called: 'male', certainty } });
    const { question } = ask(PALE, [called('a', 0.9), called('b', 0.6), called('c', 0.8), { id: 'd', sex: 'male' }]);
    const group = ['a', 'b', 'c', 'd'].map((id) => ({ id, weight: 1 }));
    const { members, separations } = suspectsOf(question, group, 'mother')!;
    // Each is a female with 0.1, 0.4, 0.2 and 0, and only one was needed: in these shares.
    expect(members.map(({ id }) => id)).toEqual(['b', 'c', 'a', 'd']);
    expect(members.map(({ p }) => +p.toFixed(9))).toEqual([0.4, 0.2, 0.1, 0].map((p) => +(p / 0.7).toFixed(9)));
    expect(separations).toBeCloseTo((0.4 * 1 + 0.2 * 2 + 0.1 * 3 + 0 * 3) / 0.7, 9);
  });

  it('is moved by what pale young say of the sexes, and none where it can be of nobody', () => {
    const { question } = ask(PALE, [
      { id: 'f', sex: 'male', phenotypes: { p: 'p' } },
      { id: 'm', sex: 'female', phenotypes: { p: '+' } },
      // Of this pair the pale are daughters and the plain are sons, whatever they were called.
      { id: 'pale', sex: { called: 'male', certainty: 0.9 }, father: 'f', mother: 'm', phenotypes: { p: 'p' } },
      { id: 'plain', sex: { called: 'female', certainty: 0.9 }, father: 'f', mother: 'm', phenotypes: { p: '+' } },
    ]);
    const of = (...ids: string[]) => ids.map((id) => ({ id, weight: 1 }));
    expect(suspectsOf(question, of('pale', 'plain'), 'mother')).toEqual({
      members: [
        { id: 'pale', p: 1 },
        { id: 'plain', p: 0 },
      ],
      separations: 1,
    });
    expect(suspectsOf(question, of('plain', 'f'), 'mother')).toBeUndefined();
  });

  it('may be one that was called the other sex for certain, as often as such calls are wrong', () => {
    const { question } = ask(PALE, [
      { id: 'a', sex: 'male' },
      { id: 'b', sex: 'male' },
      { id: 'c', sex: { called: 'male', certainty: 0.9 } },
    ]);
    const group = ['a', 'b', 'c'].map((id) => ({ id, weight: 1 }));
    const { members } = suspectsOf(question, group, 'mother', { sexError: 0.02 })!;
    // a female with 0.02 / 1.02 beside 0.02 / 1.02 and 0.1.
    const [wrong, doubtful] = [0.02 / 1.02, 0.1];
    expect(members.map(({ id, p }) => [id, +p.toFixed(9)])).toEqual([
      ['c', +(doubtful / (doubtful + 2 * wrong)).toFixed(9)],
      ['a', +(wrong / (doubtful + 2 * wrong)).toFixed(9)],
      ['b', +(wrong / (doubtful + 2 * wrong)).toFixed(9)],
    ]);
  });

  it('is moved by what comes of keeping them alone', () => {
    const { question } = ask(PALE, [
      { id: 'a', sex: 'female' },
      { id: 'b', sex: 'female' },
      { id: 'c', sex: 'female' },
    ]);
    const group = ['a', 'b', 'c'].map((id) => ({ id, weight: 1 }));
    const after = (...separated: { id: string; found: 'laid' | 'none' | 'another' }[]) => {
      const { members, separations } = suspectsOf(question, group, 'mother', { separated })!;
      return { p: Object.fromEntries(members.map(({ id, p }) => [id, +p.toFixed(9)])), separations };
    };
    const shares = (a: number, b: number, c: number) => ({
      a: +(a / (a + b + c)).toFixed(9),
      b: +(b / (a + b + c)).toFixed(9),
      c: +(c / (a + b + c)).toFixed(9),
    });
    // One that lays, lays none in the time in one of ten; two lay in one of fifty.
    expect(after({ id: 'a', found: 'none' }).p).toEqual(shares(0.1, 1, 1));
    expect(after({ id: 'a', found: 'none' }, { id: 'a', found: 'none' }).p).toEqual(shares(0.01, 1, 1));
    expect(after({ id: 'a', found: 'none' }, { id: 'b', found: 'another' }).p).toEqual(shares(0.1, 0.02, 1));
    const told = after({ id: 'b', found: 'laid' });
    expect(told.p).toEqual(shares(0.02, 1, 0.02));
    expect(told.separations).toBeLessThan(after().separations);
  });
});
