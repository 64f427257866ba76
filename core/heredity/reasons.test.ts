import { readyQuestion } from './posterior';
import { reasonsOf } from './reasons';
import { HeredityModel, Pedigree } from './schema';

const PALE = HeredityModel.parse({
  loci: [
    {
      ...{ id: 'pale', inheritance: 'autosomal', dominance: ['+', 'p'] },
      alleles: [
        { id: '+', frequency: 0.8 },
        { id: 'p', frequency: 0.2 },
      ],
    },
  ],
});
const asked = (...pedigree: object[]) => {
  const ready = readyQuestion(PALE, Pedigree.parse(pedigree));
  if (!ready.ok) throw new Error(ready.problems[0].message);
  return ready.value;
};
const said = (reasons: ReturnType<typeof reasonsOf>) =>
  reasons.map(({ record, bits }) => [record.what, record.id, +bits.toFixed(6)]);

it('of a carrier told by its young, the young’s state says what the founders’ frequency did not', () => {
  const question = asked(
    { id: 'f', sex: 'male', phenotypes: { pale: '+' } },
    { id: 'y', father: 'f', phenotypes: { pale: 'p' } },
  );
  const [young, father, own] = reasonsOf(question, 'f', 'pale');
  // Now +/p for certain. Without the young's state, or without him as its father: 2·0.8·0.2 / (1 − 0.2²) = 1/3.
  expect(young.bits).toBeCloseTo(Math.log2(3), 9);
  expect(father.bits).toBeCloseTo(Math.log2(3), 9);
  expect([young, father].map(({ record }) => record.what).sort()).toEqual(['father', 'phenotype']);
  expect(young.without[0]).toMatchObject({ genotype: '+/+' });
  // Without his own state he may be p/p: of one with a pale young by a stranger, +/p has 0.16·… : (2·0.8·0.2·½)/(that + 0.2²) = 0.8.
  expect(own.record).toEqual({ id: 'f', what: 'phenotype', character: 'pale' });
  expect(own.bits).toBeCloseTo(Math.log2(1 / 0.8), 9);
});

it('two young that say the same make each other needless', () => {
  const young = (id: string) => ({ id, father: 'f', phenotypes: { pale: 'p' } });
  const question = asked({ id: 'f', sex: 'male', phenotypes: { pale: '+' } }, young('y'), young('z'));
  expect(said(reasonsOf(question, 'f', 'pale')).map(([what, id]) => [what, id])).toEqual([['phenotype', 'f']]);
});

it('nobody far away is asked, and nothing is told of what cannot be', () => {
  const line = ['b', 'c', 'd'].map((id, i) => ({ id, mother: 'abc'[i] }));
  const question = asked({ id: 'a', sex: 'female', phenotypes: { pale: 'p' } }, ...line);
  const ids = new Set(reasonsOf(question, 'd', 'pale').map(({ record }) => record.id));
  expect(ids.has('a')).toBe(false);
  expect(ids.has('d')).toBe(true);
  const impossible = asked(
    { id: 'f', sex: 'male', phenotypes: { pale: 'p' } },
    { id: 'm', sex: 'female', phenotypes: { pale: 'p' } },
    { id: 'y', father: 'f', mother: 'm', phenotypes: { pale: '+' } },
  );
  expect(reasonsOf(impossible, 'f', 'pale')).toEqual([]);
});
