import type { Plate } from './display';
import { hiddenShare, hideable, hideParts } from '.';

/** A plate of 100 × 100 mm with squares in it. */
const plate: Plate = {
  box: { x: 0, y: 0, width: 100, height: 100 },
  inks: [{ d: 'M0 0', part: 'body', fill: '#fff' }],
  parts: {
    small: { x: 10, y: 10, width: 20, height: 20 },
    within: { x: 12, y: 12, width: 10, height: 10 },
    half: { x: 10, y: 32.5, width: 20, height: 20 },
    away: { x: 70, y: 70, width: 20, height: 20 },
    large: { x: 0, y: 0, width: 60, height: 60 },
  },
};

describe('leaves over parts', () => {
  it('hide those that are small enough, and not too many', () => {
    expect(hideable(plate, ['small', 'large', 'nowhere'])).toEqual(['small']);
    // 4 in 100 each, up to 30 in 100.
    const many = Object.fromEntries(Array.from({ length: 10 }, (_, i) => [`p${i}`, plate.parts.small]));
    expect(hideable({ ...plate, parts: many }, Object.keys(many))).toHaveLength(7);
  });

  it('lie over the drawing, the same from the same seed', () => {
    const hidden = hideParts(plate, ['small'], 'hedge');
    expect(hidden.inks[0]).toBe(plate.inks[0]);
    expect(hidden.inks.slice(1).every(({ part }) => part === 'foliage')).toBe(true);
    expect(hideParts(plate, ['small'], 'hedge')).toEqual(hidden);
    expect(hideParts(plate, ['small'], 'wood')).not.toEqual(hidden);
    expect(hideParts(plate, ['nowhere'], 'hedge')).toEqual(plate);
  });

  it('cover the part with its corners, whatever its shape', () => {
    for (const [width, height] of [
      [20, 20],
      [60, 4],
      [3, 50],
    ]) {
      const box = { x: 20, y: 20, width, height };
      const [, under] = hideParts({ ...plate, parts: { one: box } }, ['one'], 'seed').inks;
      const numbers = [...under.d.matchAll(/-?\d+(?:\.\d+)?/g)].map(Number);
      // From the first point by steps, in hundredths of a millimetre.
      const at: [number, number] = [0, 0];
      const points = numbers.flatMap((n, i) => {
        at[i % 2] += n / 100;
        return i % 2 ? [[at[0], at[1]] as const] : [];
      });
      const inside = (x: number, y: number) =>
        points.reduce((is, [ax, ay], i) => {
          const [bx, by] = points[(i + 1) % points.length];
          return ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax ? !is : is;
        }, false);
      for (const u of [0.02, 0.5, 0.98])
        for (const v of [0.02, 0.5, 0.98]) expect([u, v, inside(20 + u * width, 20 + v * height)]).toEqual([u, v, true]);
    }
  });

  it('take what lies behind them along', () => {
    expect(hiddenShare(plate, 'small', ['small'])).toBe(1);
    expect(hiddenShare(plate, 'within', ['small'])).toBe(1);
    expect(hiddenShare(plate, 'away', ['small'])).toBe(0);
    expect(hiddenShare(plate, 'nowhere', ['small'])).toBe(0);
    // They hang over by 2.5 mm: just to where the next one begins.
    expect(hiddenShare(plate, 'half', ['small'])).toBeCloseTo(0, 9);
    expect(hiddenShare(plate, 'small', ['within'])).toBeCloseTo(12.5 ** 2 / 400, 9);
  });
});
