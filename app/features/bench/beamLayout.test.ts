import { layOutBeam } from './beamLayout';

const lay = (bits: number[], sum = bits.reduce((a, b) => a + b, 0)) =>
  layOutBeam(
    bits.map((b, reading) => ({ reading, bits: b })),
    sum,
    4.25,
    300,
  );

describe('the beam', () => {
  it('hangs evidence for the left candidate to the left', () => {
    const { weights, pointer } = lay([2, -1]);
    expect(weights.find((w) => w.bits === 2)!.at).toBeLessThan(0);
    expect(weights.find((w) => w.bits === -1)!.at).toBeGreaterThan(0);
    expect(pointer).toBeLessThan(0);
  });

  it('places weights in proportion to their bits, with the notches at "enough"', () => {
    const { weights, reach, notches } = lay([2, -1]);
    expect(weights[0].at / weights[1].at).toBeCloseTo(-2);
    expect(notches).toEqual([-4.25 / reach, 4.25 / reach]);
  });

  it('never lets two weights of one row touch', () => {
    const { weights } = lay([1, 1.05, 1.1, 1.15, 1.2, 3, -0.4]);
    for (const a of weights) {
      for (const b of weights) {
        if (a === b || a.row !== b.row) continue;
        expect(Math.abs(a.at - b.at) * 150).toBeGreaterThanOrEqual((a.size + b.size) / 2);
      }
    }
    expect(new Set(weights.map((w) => w.row)).size).toBeGreaterThan(1);
  });

  it('leaves out what weighs next to nothing and says when the sum is off the axis', () => {
    expect(lay([0.01, 2]).weights).toHaveLength(1);
    expect(lay([3, 3, 3, 3]).beyond).toBe(true);
    expect(lay([3, 3, 3, 3]).pointer).toBe(-1);
    expect(lay([1]).beyond).toBe(false);
  });
});
