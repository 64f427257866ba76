import { seeded } from '../probability';
import { networkOf, solve } from './network';
import { drawnCase } from './test/drawnCase';
import { ask } from './test/work';

describe('values drawn together', () => {
  it('come as often as their joint chance says, on 12 drawn pedigrees', () => {
    const random = seeded('draws');
    let seen = 0;
    for (let i = 0; seen < 12; i++) {
      const { model, pedigree } = drawnCase(random);
      const { question } = ask(model, pedigree);
      const two = (vars: number) => [vars - 1, Math.floor(vars / 2)];
      const plain = networkOf(question.model, question.kin);
      const pair = two(plain.cards.length);
      if (pair[0] === pair[1]) continue;
      const network = networkOf(question.model, question.kin, () => [pair]);
      const solved = solve(network);
      if (solved.conflict) continue;
      seen++;
      const joint = solved.joint(pair);
      const counts = new Float64Array(joint.length);
      const n = 4000;
      for (let k = 0; k < n; k++) {
        const values = solved.draw(random);
        counts[values[pair[0]] * network.cards[pair[1]] + values[pair[1]]]++;
      }
      // Within four and a half standard errors each: one in ten thousand of them would be further off.
      counts.forEach((count, cell) => {
        const error = 4.5 * Math.sqrt((joint[cell] * (1 - joint[cell])) / n) + 1e-9;
        expect([i, cell, Math.abs(count / n - joint[cell]) <= error]).toEqual([i, cell, true]);
      });
    }
  });

  it('are none where nothing is possible', () => {
    const nothing = solve({
      cards: [2],
      domains: [[0, 1]],
      kin: [],
      owners: [0],
      factors: [{ vars: [0], table: Float64Array.of(0, 0) }],
    });
    expect(nothing.conflict).toEqual(new Set([0]));
    expect(() => nothing.draw(seeded('none'))).toThrow('Nothing can be drawn');
  });
});
