import { callAll, engineFor } from './accuracy';
import { peers } from './peers';
import { asCsv, populations } from './populations';

describe('populations whose optimum is known', () => {
  const all = populations();

  it.each(all.map((population) => [population.name, population] as const))(
    '%s: the true law calls as well as it says',
    (_, population) => {
      const { accuracy, ninety } = callAll(population.draw(6000, 'law'), population.posterior);
      const stated = population.draw(6000, 'law').reduce((sum, { x }) => sum + Math.max(...population.posterior(x)), 0) / 6000;
      // The expected maximum of the posterior is the Bayes rate itself.
      expect(accuracy).toBeCloseTo(stated, 1);
      expect(Math.abs(accuracy - stated)).toBeLessThan(0.02);
      expect(ninety.right / ninety.n).toBeGreaterThan(0.84);
      expect(ninety.right / ninety.n).toBeLessThan(0.96);
    },
  );

  it('are the same every time, and others for another seed', () => {
    expect(all[0].draw(5, 'a')).toEqual(populations()[0].draw(5, 'a'));
    expect(all[0].draw(5, 'a')).not.toEqual(all[0].draw(5, 'b'));
  });

  it('are written as tables', () => {
    const lines = asCsv(all[2], all[2].draw(3, 'a')).split('\n');
    expect(lines).toHaveLength(4);
    expect(lines[1]).toMatch(/^form \d,state \d/);
  });
});

describe('the engine on them', () => {
  it.each(populations().map((population) => [population.name, population] as const))(
    '%s: comes within 1 in 100 of the Bayes rate, and what it states holds over 10,000',
    (_, population) => {
      const others = population.draw(10_000, 'called');
      const bayes = callAll(others, population.posterior);
      const ours = callAll(others, engineFor(population, population.draw(1500, 'taught')));
      expect(bayes.accuracy - ours.accuracy).toBeLessThan(0.01);
      const held = ours.ninety.right / ours.ninety.n;
      expect(ours.ninety.n).toBeGreaterThan(200);
      // 88 to 92, give or take what chance alone would do to so many.
      const chance = 2 * Math.sqrt((0.9 * 0.1) / ours.ninety.n);
      expect(held).toBeGreaterThan(0.88 - chance);
      expect(held).toBeLessThan(0.92 + chance);
    },
  );

  it('is better than its peers where only proportions tell', () => {
    const [population] = populations();
    const [taught, others] = [population.draw(400, 'taught'), population.draw(2000, 'called')];
    const ours = callAll(others, engineFor(population, taught)).accuracy;
    for (const peer of peers) {
      const called = peer.teach(population, taught)(others);
      const right = called.filter((form, i) => form === others[i].form).length / others.length;
      expect(right).toBeGreaterThan(0.25);
      expect(ours).toBeGreaterThan(right + 0.1);
    }
  });
});
