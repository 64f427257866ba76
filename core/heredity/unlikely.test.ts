import { seeded } from '../probability';
import { readyQuestion } from './posterior';
import { recordsOf } from './records';
import { HeredityModel, type Kin, Pedigree } from './schema';
import { drawnCase } from './test/drawnCase';
import { enumerate } from './test/enumerate';
import { ask, locus } from './test/work';
import { unlikelyOf } from './unlikely';

const SPOT = { loci: [locus('a', 'A', 'a')] };
const said = (found: ReturnType<typeof unlikelyOf>) => found.map(({ record, p }) => [record.id, record.what, +p.toFixed(6)]);

describe('records that can be true', () => {
  const brood = (plain: number) => [
    { id: 'f', sex: 'male', phenotypes: { a: 'A' } },
    { id: 'm', sex: 'female', phenotypes: { a: 'a' } },
    ...Array.from({ length: plain }, (_, i) => ({ id: `y${i}`, father: 'f', mother: 'm', phenotypes: { a: 'A' } })),
    { id: 'odd', father: 'f', mother: 'm', phenotypes: { a: 'a' } },
  ];

  it('are named where one young of eleven says of its father what ten deny', () => {
    const { question } = ask(SPOT, brood(10));
    // A shows in its founders with 0.81 A/A and 0.18 A/a. As written he is A/a: 0.18 · ½¹⁰ · ½.
    const written = 0.18 / 2 ** 11;
    // Where the odd one's state was misread: of A/A always, of A/a in half.
    const misread = 0.81 + 0.18 / 2 ** 11;
    // Where it has another father: what the ten leave, and an a from anybody.
    const another = (0.81 + 0.18 / 2 ** 10) * 0.1;
    // Where the mother’s was, who is a/a with 0.01: both carry, and ten of eleven are plain.
    const bothCarry = 0.18 * 0.18 * 0.75 ** 10 * 0.25;
    const p = (doubt: number, wrong: number) => +((doubt * wrong) / (doubt * wrong + (1 - doubt) * written)).toFixed(6);
    expect(said(unlikelyOf(question))).toEqual([
      ['odd', 'phenotype', p(0.01, misread)],
      ['odd', 'father', p(0.05, another)],
      ['m', 'phenotype', p(0.01, bothCarry / 0.01)],
    ]);
  });

  it('are not where the brood is small', () => {
    expect(unlikelyOf(ask(SPOT, brood(2)).question)).toEqual([]);
  });

  it('are a sex that was called in doubt, and by its young’s and parents’ marks is the other', () => {
    const { question } = ask({ system: 'ZW', loci: [locus('p', '+', 'p', { inheritance: 'sex-linked' })] }, [
      { id: 'f', sex: 'male', phenotypes: { p: 'p' } },
      { id: 'm', sex: 'female', phenotypes: { p: '+' } },
      { id: 'x', sex: { called: 'male', certainty: 0.9 }, father: 'f', mother: 'm', phenotypes: { p: 'p' } },
    ]);
    // Were she a male she would have the + of her mother, and not be pale.
    expect(said(unlikelyOf(question))[0]).toEqual(['x', 'sex', 1]);
  });

  it('are looked at only of those that are asked for', () => {
    const { question } = ask(SPOT, brood(10));
    expect(unlikelyOf(question, ['f', 'y0'])).toEqual([]);
    expect(unlikelyOf(question, ['odd'])).toHaveLength(2);
  });
});

it('what is told is what a plain enumeration says of the same records right and wrong, on drawn pedigrees', () => {
  const random = seeded('doubt');
  let told = 0;
  for (let n = 0; n < 24; n++) {
    const { model: drawn, pedigree: given } = drawnCase(random);
    const model = HeredityModel.parse(drawn);
    const pedigree = Pedigree.parse(given);
    const question = readyQuestion(model, pedigree);
    if (!question.ok) throw new Error(JSON.stringify(question.problems));
    const likelihood = (changed: Pedigree) => enumerate(model, changed).total;
    if (likelihood(pedigree) === 0) continue;
    const plainly = recordsOf(question.value).map((record) => {
      const change = (more: Partial<Kin>) => pedigree.map((one) => (one.id === record.id ? { ...one, ...more } : one));
      const one = pedigree.find(({ id }) => id === record.id)!;
      if (record.what === 'sex') {
        const { called, certainty } = typeof one.sex === 'object' ? one.sex : { called: one.sex!, certainty: 1 };
        const doubt = certainty === 1 ? 0.02 : 1 - certainty;
        const other = called === 'female' ? 'male' : 'female';
        return {
          record,
          odds: (doubt * likelihood(change({ sex: other }))) / ((1 - doubt) * likelihood(change({ sex: called }))),
        };
      }
      if (record.what === 'phenotype') {
        const seen = one.phenotypes[record.character];
        const { states, certainty } = typeof seen === 'object' ? seen : { states: [seen], certainty: 1 };
        const all = question.value.model.characters.find(({ id }) => id === record.character)!.states;
        const others = all.filter((state) => !states.includes(state));
        const doubt = certainty === 1 ? 0.01 : 1 - certainty;
        const as = (shown: string[]) =>
          shown.length
            ? likelihood(change({ phenotypes: { ...one.phenotypes, [record.character]: { states: shown, certainty: 1 } } }))
            : 0;
        return { record, odds: (doubt * as(others)) / ((1 - doubt) * as(states)) };
      }
      const doubt = record.what === 'father' ? 0.05 : 0.01;
      const nobody = {
        [`${record.what}s`]: [
          { id: null, weight: 1 },
          { id: null, weight: 1 },
        ],
        [record.what]: undefined,
      };
      return { record, odds: (doubt * likelihood(change(nobody))) / ((1 - doubt) * likelihood(pedigree)) };
    });
    const expected = plainly
      .map(({ record, odds }) => ({ record, p: odds === Infinity ? 1 : odds / (1 + odds) }))
      .filter(({ p }) => p >= 0.5);
    const found = unlikelyOf(question.value);
    const keyed = (all: typeof found) => all.map(({ record, p }) => `${JSON.stringify(record)} ${p.toFixed(8)}`).sort();
    expect(keyed(found)).toEqual(keyed(expected));
    told += found.length;
  }
  expect(told).toBeGreaterThan(3);
});
