import { ledgeCrabs } from '@plesion/demo';
import { normal, seeded } from '../probability';
import { analyse, moreRepeats, type MoreRepeats, sayMoreRepeats } from '.';

const situation = { region: 'ostren', date: '2026-05-12' };
const teeth = { character: 'front-edge', states: ['three-teeth'] };
const ratio = (value: number, error?: number) => ({ character: 'width-ratio', value, ...(error ? { error } : {}) });
const asked = (value: number, error?: number) => ({ guide: ledgeCrabs, situation, readings: [teeth, ratio(value, error)] });

describe('more repeats', () => {
  it('are counted as a simulation counts them: what is measured again, and weighed', () => {
    const [value, error, n] = [1.2, 0.1, 2];
    const [told] = moreRepeats(asked(value, error), { 1: n });
    expect(told).toMatchObject({ reading: 1, character: 'width-ratio', needsMore: true });
    const { more, of10 } = told.repeats!;
    const random = seeded(7);
    let enough = 0;
    const tries = 600;
    const single = error * Math.sqrt(n);
    for (let i = 0; i < tries; i++) {
      const truth = value + error * normal(random);
      let sum = n * value;
      for (let k = 0; k < more; k++) sum += truth + single * normal(random);
      const again = analyse(asked(sum / (n + more), single / Math.sqrt(n + more)));
      const verdict = again.call.verdicts.find(({ level }) => JSON.stringify(level) === JSON.stringify(told.level));
      if (verdict && !verdict.lacks.includes('posterior') && !verdict.lacks.includes('cost')) enough++;
    }
    expect(Math.abs(enough / tries - of10 / 10)).toBeLessThan(0.12);
  });

  it('say nothing of what was not measured, has no error, or was not seen', () => {
    expect(moreRepeats(asked(1.2))).toEqual([]);
    expect(moreRepeats({ guide: ledgeCrabs, situation, readings: [teeth] })).toEqual([]);
    expect(
      moreRepeats({ guide: ledgeCrabs, situation, readings: [teeth, { ...ratio(1.2, 0.1), status: 'not-visible' }] }),
    ).toEqual([]);
  });

  it('do not help where the forms themselves overlap', () => {
    const [told] = moreRepeats(asked(1.5, 0.01));
    expect(told).toMatchObject({ exact: 0 });
    expect(told.repeats).toBeUndefined();
  });

  it('are told in words, with what else it needs', () => {
    const told: MoreRepeats = {
      reading: 0,
      character: 'width-ratio',
      level: { kind: 'rank', rank: 'species' },
      needsMore: false,
      exact: 9,
      repeats: { more: 2, of10: 8 },
    };
    expect(sayMoreRepeats(told, 'Carapace width')).toBe(
      'The measuring error, and not the animal, keeps the species open. 2 more repeats of carapace width would settle it in 8 of 10.',
    );
    expect(sayMoreRepeats({ ...told, needsMore: true, repeats: { more: 1, of10: 8 } }, 'Carapace width')).toMatch(
      /One more repeat of carapace width would make it probable enough in 8 of 10; it needs other characters too\.$/,
    );
    expect(sayMoreRepeats({ ...told, exact: 3 }, 'Carapace width')).toMatch(/in 3 of 10 at best/);
    expect(sayMoreRepeats({ ...told, exact: 0, repeats: undefined }, 'Carapace width')).toMatch(/forms themselves overlap/);
  });
});
