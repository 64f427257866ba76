import { seeded } from '../probability';
import { HeredityModel, Pedigree } from './schema';
import { pairsOf } from './pairs';
import { readyQuestion } from './posterior';
import { drawnCase } from './test/drawnCase';
import { couplesOf, shownBy, youngOf } from './young';

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
const asked = (model: object, pedigree: object[]) => {
  const ready = readyQuestion(HeredityModel.parse(model), Pedigree.parse(pedigree));
  if (!ready.ok) throw new Error(ready.problems[0].message);
  return ready.value;
};
const shows = { character: 'pale', state: 'p' };

it('ranks pairs by how many of their young show what is wanted, the less inbred first where they are alike', () => {
  const book = [
    ...[
      { id: 'pp', sex: 'male', phenotypes: { pale: 'p' } },
      { id: 'f', sex: 'female', phenotypes: { pale: 'p' } },
    ],
    { id: 'son', sex: 'male', father: 'pp', mother: 'f', phenotypes: { pale: 'p' } },
    { id: 'carrier', sex: 'female', father: 'pp', phenotypes: { pale: '+' } },
    { id: '?', sex: 'male', phenotypes: { pale: '+' } },
  ];
  const ranked = pairsOf(asked(PALE, book), ['pp', 'son', '?'], ['f', 'carrier'], { shows }, 4);
  expect(ranked.map(({ father, mother, p, inbreeding }) => [father, mother, +p.toFixed(6), inbreeding])).toEqual([
    ['pp', 'f', 1, 0],
    ['son', 'f', 1, 0.25],
    ['son', 'carrier', 0.5, 0.125],
    ['pp', 'carrier', 0.5, 0.25],
    // A plain one of unknown parents carries it with 2·0.8·0.2 / (1 − 0.2²) = 1/3: 1/6 and 1/12 of its young.
    ['?', 'f', +(1 / 6).toFixed(6), 0],
    ['?', 'carrier', +(1 / 12).toFixed(6), 0],
  ]);
  expect(ranked[3].expected).toBeCloseTo(2, 12);
  expect(ranked[3].atLeastOne).toBeCloseTo(1 - 0.5 ** 4, 12);
  const daughters = pairsOf(asked(PALE, book), ['pp'], ['f'], { shows, sex: 'female' }, 1);
  expect(daughters[0].p).toBeCloseTo(0.5, 12);
});

it('says what a clutch would tell of a hidden gene, in bits', () => {
  const book = [
    { id: '?', sex: 'male', phenotypes: { pale: '+' } },
    { id: 'f', sex: 'female', phenotypes: { pale: 'p' } },
    { id: 'plain', sex: 'female', phenotypes: { pale: '+' } },
  ];
  const goal = { locus: 'pale', allele: 'p', shows };
  const [best, other] = pairsOf(asked(PALE, book), ['?'], ['plain', 'f'], goal, 3);
  expect([best.mother, other.mother]).toEqual(['f', 'plain']);
  // He carries it with 1/3; then 7 of 8 clutches of three tell. H(7/24) − 1/3·H(7/8).
  const h = (q: number) => -q * Math.log2(q) - (1 - q) * Math.log2(1 - q);
  expect(best.bits).toBeCloseTo(h(7 / 24) - h(7 / 8) / 3, 12);
  expect(other.bits).toBeLessThan(best.bits!);
});

it('equals working out each pair by itself, in 450 drawn books', () => {
  const random = seeded(20261128);
  let compared = 0;
  let held = 0;
  for (let n = 0; n < 450; n++) {
    const { model, pedigree } = drawnCase(random);
    const ready = readyQuestion(HeredityModel.parse(model), Pedigree.parse(pedigree));
    if (!ready.ok || !ready.value.model.characters.length) continue;
    const question = ready.value;
    const { id: character, states } = question.model.characters[0];
    const goal = { shows: { character, state: states[0] }, ...(n % 3 ? {} : { sex: 'female' as const }) };
    const ids = [...question.placeOf.keys()];
    const ranked = pairsOf(question, ids, ids, goal, 3);
    const byPair = new Map(ranked.map((one) => [`${one.father} ${one.mother}`, one]));
    for (const father of ids)
      for (const mother of ids) {
        const found = byPair.get(`${father} ${mother}`);
        const couples = father === mother ? [] : couplesOf(question, father, mother);
        if (!couples.length) {
          expect(found).toBeUndefined();
          continue;
        }
        const tells = (of: (q: number) => number) =>
          couples.reduce((sum, couple) => {
            const q = youngOf(question.model, couple)
              .filter(({ sex }) => !goal.sex || sex === goal.sex)
              .reduce(
                (own, young) =>
                  own +
                  young.p *
                    shownBy(question.model, young).reduce(
                      (all, one) => all + (one.shows[character] === states[0] ? one.p : 0),
                      0,
                    ),
                0,
              );
            return sum + couple.p * of(q);
          }, 0);
        expect(found!.p).toBeCloseTo(
          tells((q) => q),
          9,
        );
        expect(found!.atLeastOne).toBeCloseTo(
          tells((q) => 1 - (1 - q) ** 3),
          9,
        );
        compared++;
        if (couples.length > 2) held++;
      }
  }
  expect(compared).toBeGreaterThan(350);
  expect(held).toBeGreaterThan(100);
});
