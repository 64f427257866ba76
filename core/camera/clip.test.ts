import { ledgeCrabs, terns } from '@plesion/demo';
import { compiledFor } from '../guide';
import { tempoOf } from '../measure';
import { planOf } from '../plates/plans';
import { clipOf, drawsBeat } from '.';

const compiled = compiledFor(terns, {});
const plan = planOf(terns)!;
const form = compiled.forms[0].id;

describe('a clip of something that beats', () => {
  it('is drawn where a plan draws the posture, and nowhere else', () => {
    expect(drawsBeat(plan)).toBe(true);
    expect(drawsBeat(planOf(ledgeCrabs)!)).toBe(false);
    expect(clipOf(compiled, plan, 'no such form', 'wing-beat', 's')).toBeUndefined();
    expect(clipOf(compiled, plan, form, 'wing-posture', 's')).toBeUndefined();
  });

  it('beats as the form’s scores say, and the same for the same seed', () => {
    const table = compiled.tables.get('wing-beat')!;
    if (table.type !== 'values') throw new Error('no values');
    const rates = Array.from({ length: 60 }, (_, i) => Math.log(clipOf(compiled, plan, form, 'wing-beat', `${i}`)!.truth.rate));
    const mean = rates.reduce((sum, rate) => sum + rate, 0) / rates.length;
    expect(Math.abs(mean - table.mean[0])).toBeLessThan((3 * table.sd[0]) / Math.sqrt(rates.length));
    const [a, b] = [1, 2].map(() => clipOf(compiled, plan, form, 'wing-beat', 'same')!);
    expect(b.truth).toEqual(a.truth);
    expect(b.at(1.234)).toEqual(a.at(1.234));
  });

  it('shows each stroke begin where its truth says, so that marking them gives the rate back', () => {
    const clip = clipOf(compiled, plan, form, 'wing-beat', 'marked')!;
    const { begins, rate } = clip.truth;
    const seen = begins.filter((begin) => begin > 0.1 && begin < clip.seconds - 0.5);
    for (const begin of seen) expect(clip.at(begin + 1e-6)).not.toBe(clip.at(begin - 1e-6));
    const { interval } = tempoOf(seen)!;
    expect(interval[0]).toBeLessThan(rate);
    expect(interval[1]).toBeGreaterThan(rate);
    expect(clip.at(0)).toBeDefined();
    expect(clip.at(clip.seconds)).toBeDefined();
  });
});
