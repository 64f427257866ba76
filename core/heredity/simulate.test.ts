import { readyQuestion } from './posterior';
import { type BreedingPlan, HeredityModel, Pedigree } from './schema';
import { simulate } from './simulate';

const allele = (id: string, frequency: number) => ({ id, frequency });
const PALE = { id: 'pale', inheritance: 'autosomal', dominance: ['+', 'p'], alleles: [allele('+', 0.8), allele('p', 0.2)] };
const SMOKE = { id: 'smoke', inheritance: 'sex-linked', dominance: ['S', '+'], alleles: [allele('S', 0.5), allele('+', 0.5)] };
const asked = (loci: object[], pedigree: object[]) => {
  const ready = readyQuestion(HeredityModel.parse({ loci }), Pedigree.parse(pedigree));
  if (!ready.ok) throw new Error(ready.problems[0].message);
  return ready.value;
};
const breed = (more: Partial<BreedingPlan>): BreedingPlan => ({
  rule: 'random',
  pairs: 6,
  clutch: 6,
  generations: 5,
  runs: 60,
  seed: 'a',
  ...more,
});
const FOUNDERS = [
  ...Array.from({ length: 6 }, (_, i) => ({ id: `m${i}`, sex: 'male', phenotypes: { pale: i < 3 ? 'p' : '+' } })),
  ...Array.from({ length: 6 }, (_, i) => ({ id: `f${i}`, sex: 'female', phenotypes: { pale: i < 3 ? 'p' : '+' } })),
];
const ALL = FOUNDERS.map(({ id }) => id);

it('a line of brother and sister is inbred as the books have it: 0, 1/4, 3/8, 1/2, 19/32', () => {
  const question = asked(
    [PALE],
    [
      { id: 'm', sex: 'male' },
      { id: 'f', sex: 'female' },
    ],
  );
  const line = simulate(question, ['m', 'f'], breed({ pairs: 1, clutch: 24, runs: 5 }));
  expect(line.map(({ inbreeding }) => inbreeding.mean)).toEqual([0, 0.25, 0.375, 0.5, 0.59375]);
  expect(line.every(({ inbreeding: { low, high, mean } }) => low === mean && high === mean)).toBe(true);
});

it('is the same for the same seed, and another for another', () => {
  const of = (seed: string) => simulate(asked([PALE], FOUNDERS), ALL, breed({ seed, runs: 3 }));
  expect(of('a')).toEqual(of('a'));
  expect(of('a')).not.toEqual(of('b'));
});

it('alleles that nobody breeds for keep their frequency on average and drift apart', () => {
  const question = asked([PALE, SMOKE], FOUNDERS);
  const generations = simulate(question, ALL, breed({ runs: 400 }));
  const p = generations.map(({ alleles }) => alleles.find((one) => one.allele === 'p')!.frequency);
  // Half are p/p; the others +/+ or +/p with 1/3: (0.5·1 + 0.5·(1/3)/2).
  for (const { mean } of p) expect(Math.abs(mean - 7 / 12)).toBeLessThan(0.03);
  expect(p[4].high - p[4].low).toBeGreaterThan(p[0].high - p[0].low);
  expect(generations.every(({ young, runs }) => runs === 400 && young.mean === 36)).toBe(true);
  for (const { shows } of generations)
    for (const character of ['pale', 'smoke'])
      expect(shows.filter((one) => one.character === character).reduce((sum, { share }) => sum + share.mean, 0)).toBeCloseTo(
        1,
        9,
      );
});

it('kin are kept apart by the rule for that, and what is bred for becomes common', () => {
  const question = asked([PALE], FOUNDERS);
  const last = (more: Partial<BreedingPlan>) => simulate(question, ALL, breed(more)).at(-1)!;
  expect(last({ rule: 'least-kin' }).inbreeding.mean).toBeLessThan(last({}).inbreeding.mean);
  const pale = (more: Partial<BreedingPlan>) => last(more).shows.find(({ state }) => state === 'p')!.share.mean;
  expect(pale({ rule: 'show', goal: { character: 'pale', state: 'p' }, pairs: 3 })).toBeGreaterThan(0.95);
  expect(pale({ pairs: 3 })).toBeLessThan(0.75);
});

it('begins with all drawn together, as sibs are alike: a carrier among them is the sign of another', () => {
  const young = Array.from({ length: 8 }, (_, i) => ({
    ...{ id: `y${i}`, sex: i % 2 ? 'female' : 'male', father: 'f', mother: 'm', phenotypes: { pale: '+' } },
  }));
  const question = asked(
    [{ ...PALE, alleles: [allele('+', 0.99), allele('p', 0.01)] }],
    [{ id: 'f', sex: 'male', phenotypes: { pale: '+' } }, { id: 'm', sex: 'female', phenotypes: { pale: '+' } }, ...young],
  );
  const ids = young.map(({ id }) => id);
  const [first] = simulate(question, ids, breed({ runs: 3000, generations: 1, pairs: 4, clutch: 25 }));
  const p = first.alleles.find((one) => one.allele === 'p')!.frequency;
  // Either parent carries with 0.0198; of its young half do, with one of two alleles: 0.0396 · 1/2 · 1/2.
  expect(p.mean).toBeGreaterThan(0.006);
  expect(p.mean).toBeLessThan(0.014);
  // In 96 of 100 runs neither does, and nobody carries. Drawn each by itself, of eight one would in 15 of 100.
  expect(p.high).toBe(0);
});

it('a line that has nobody of one sex ends', () => {
  const question = asked([PALE], FOUNDERS);
  expect(simulate(question, ['m0', 'm1'], breed({})).map(({ runs }) => runs)).toEqual([0, 0, 0, 0, 0]);
  const small = simulate(question, ['m0', 'f0'], breed({ pairs: 1, clutch: 1 }));
  expect(small.map(({ runs }) => runs)).toEqual([60, 0, 0, 0, 0]);
});
