import { demoGuides } from '../../demo';
import { seeded } from '../probability';
import { compileGuide, isUnder } from '../guide';
import { calledOver } from '../test/calledOver';
import { drawnSpecimen } from '../test/drawnSpecimens';
import { standingOf } from '.';

const SPECIMENS = 10_000;

describe.each(demoGuides.map((guide) => ({ name: guide.id, guide })))('over 10,000 specimens of $name', ({ guide }) => {
  const compiled = compileGuide(guide);

  it('of what is said at 88 to 92 in 100, so many are right, and no more are wrong than the posterior allows', () => {
    const { about, named } = calledOver(compiled, SPECIMENS, 'calibrated');
    const share = about.right / about.n;
    const chance = 3 * Math.sqrt((0.9 * 0.1) / about.n);
    expect(about.n).toBeGreaterThan(150);
    expect(share).toBeGreaterThan(0.88 - chance);
    // All of them are of the guide, so the little kept for what is not in it falls to the right side.
    expect(share).toBeLessThan(0.92 + chance + guide.settings.outside);
    expect(named.wrong / named.n).toBeLessThan(1 - guide.settings.call.posterior);
  });

  it('names wrong no oftener than allowed with twice the misreading, too', () => {
    const { named } = calledOver(compiled, 3000, 'misread', 2);
    expect(named.n).toBeGreaterThan(100);
    expect(named.wrong / named.n).toBeLessThan(1 - guide.settings.call.posterior);
  });

  it('calls, with all that a call asks, are wrong more seldom still', () => {
    const random = seeded(`called ${guide.id}`);
    let called = 0;
    let wrong = 0;
    for (let i = 0; i < 60; i++) {
      const { form, readings } = drawnSpecimen(compiled, random, { share: 0.4, misreading: 2 });
      const { call } = standingOf(compiled, {}, readings);
      if (call.kind !== 'taxon') continue;
      called++;
      if (!isUnder(guide, compiled.forms[form].taxon, call.taxon!)) wrong++;
    }
    expect(called).toBeGreaterThan(15);
    expect(wrong).toBeLessThanOrEqual(2);
  });
});
