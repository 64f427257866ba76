import { demoGuides } from '../../demo';
import { seeded } from '../chance';
import { compileGuide, isUnder } from '../guide';
import { drawnSpecimen } from '../test/drawnSpecimens';
import { assess, groupByRank, groupMasses, ranked, standing } from '.';

const SPECIMENS = 10_000;

describe.each(demoGuides.map((guide) => ({ name: guide.id, guide })))('over 10,000 specimens of $name', ({ guide }) => {
  const compiled = compileGuide(guide);
  const species = groupByRank(compiled, 'species');

  const tally = (seed: string, misreading: number) => {
    const chance = seeded(`${seed} ${guide.id}`);
    const about = { n: 0, right: 0 };
    const named = { n: 0, wrong: 0 };
    for (let i = 0; i < SPECIMENS; i++) {
      const { form, readings } = drawnSpecimen(compiled, chance, { share: 0.25, onePerGroup: true, misreading });
      const masses = groupMasses(species, standing(compiled, {}, readings).p);
      const [lead] = ranked(masses);
      const right = species.of[form] === lead;
      if (masses[lead] >= guide.settings.call.posterior) {
        named.n++;
        if (!right) named.wrong++;
      }
      if (masses[lead] < 0.88 || masses[lead] > 0.92) continue;
      about.n++;
      if (right) about.right++;
    }
    return { about, named };
  };

  it('of what is said at 88 to 92 in 100, so many are right, and no more are wrong than the posterior allows', () => {
    const { about, named } = tally('calibrated', 1);
    const share = about.right / about.n;
    const chance = 3 * Math.sqrt((0.9 * 0.1) / about.n);
    expect(about.n).toBeGreaterThan(150);
    expect(share).toBeGreaterThan(0.88 - chance);
    // All of them are of the guide, so the little kept for what is not in it falls to the right side.
    expect(share).toBeLessThan(0.92 + chance + guide.settings.outside);
    expect(named.wrong / named.n).toBeLessThan(1 - guide.settings.call.posterior);
  });

  it('names wrong no oftener than allowed with twice the misreading, too', () => {
    const { named } = tally('misread', 2);
    expect(named.n).toBeGreaterThan(100);
    expect(named.wrong / named.n).toBeLessThan(1 - guide.settings.call.posterior);
  });

  it('calls, with all that a call asks, are wrong more seldom still', () => {
    const chance = seeded(`called ${guide.id}`);
    let called = 0;
    let wrong = 0;
    for (let i = 0; i < 60; i++) {
      const { form, readings } = drawnSpecimen(compiled, chance, { share: 0.4, misreading: 2 });
      const { call } = assess(compiled, {}, readings);
      if (call.kind !== 'taxon') continue;
      called++;
      if (!isUnder(guide, compiled.forms[form].taxon, call.taxon!)) wrong++;
    }
    expect(called).toBeGreaterThan(15);
    expect(wrong).toBeLessThanOrEqual(2);
  });
});
