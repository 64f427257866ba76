import { groupByRank, nextLooks, posteriorOf } from '@plesion/core/evidence';
import { syntheticGuide } from './syntheticGuide';
import { medianMs } from './timing';

describe('the synthetic guide of the benchmark', () => {
  const { compiled, readings, whole } = syntheticGuide(300, 60, 20);

  it('has the forms, characters and readings asked for, of both kinds', () => {
    expect(compiled.forms).toHaveLength(300);
    expect(compiled.tables.size).toBe(60);
    expect(readings).toHaveLength(20);
    expect(readings.some((reading) => reading.states)).toBe(true);
    expect(readings.some((reading) => reading.value !== undefined)).toBe(true);
    expect(new Set(readings.map((reading) => reading.character)).size).toBe(20);
  });

  it('is the same every time, and another for another seed', () => {
    expect(syntheticGuide(50, 20, 5).readings).toEqual(syntheticGuide(50, 20, 5).readings);
    expect(syntheticGuide(50, 20, 5, 'other').readings).not.toEqual(syntheticGuide(50, 20, 5).readings);
  });

  it('can be reasoned about: probabilities sum to 1 and few forms are left', () => {
    const { p, outside } = posteriorOf(compiled, {}, readings);
    expect(p.reduce((a, b) => a + b, outside)).toBeCloseTo(1, 9);
    expect(Math.max(...p)).toBeGreaterThan(0.3);
  });

  it('leaves looks to rank, none of them read already', () => {
    const looks = nextLooks(
      compiled,
      posteriorOf(compiled, {}, readings.slice(0, 3)),
      groupByRank(compiled, 'species'),
      {},
      readings.slice(0, 3),
    );
    const read = new Set(readings.slice(0, 3).map((reading) => reading.character));
    expect(looks.length).toBeGreaterThan(20);
    expect(looks.some((look) => read.has(look.character))).toBe(false);
  });

  it('is cut into the classes that a general classifier needs, each form’s adding up to 1', () => {
    expect(whole.filter(({ asked }) => asked)).toHaveLength(20);
    for (const { classes, read } of whole) {
      expect(classes.reduce((sum, column) => sum + column[7], 0)).toBeCloseTo(1, 6);
      expect(read).toBeGreaterThanOrEqual(0);
      expect(read).toBeLessThan(classes.length);
    }
  });
});

describe('the clock', () => {
  it('runs what it times, warm-up and all', () => {
    let runs = 0;
    const median = medianMs(() => runs++, 5, 3);
    expect(runs).toBe(8);
    expect(median).toBeGreaterThanOrEqual(0);
  });
});
