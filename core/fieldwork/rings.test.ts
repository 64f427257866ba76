import { checkRing, isSlip, numberIn, readBack, ringOf, stringStanding } from '.';

const string = {
  letters: 'H',
  digits: 5,
  first: 4501,
  last: 4600,
  unused: [{ number: 4503, what: 'destroyed' as const, on: '2026-05-01' }],
};
const on = ['H 04501', 'H 04502', 'H 04505'];

describe('a ring number', () => {
  it('is read however it is typed, and read back in groups', () => {
    for (const typed of ['H04517', 'h 04 517', 'H 04·517', ' H-04.517 ']) expect(ringOf(typed)).toBe('H 04517');
    expect(ringOf('04517')).toBe('04517');
    for (const typed of ['', 'H', 'HABC 1', '4H517', 'H 04517 x', '12345678901']) expect(ringOf(typed)).toBeUndefined();
    expect(readBack('H 04517')).toBe('H 04 · 517');
    expect(readBack('123')).toBe('123');
  });

  it('belongs to a string by its letters, its digits and its number', () => {
    expect(numberIn(string, 'H 04517')).toBe(4517);
    for (const other of ['K 04517', 'H 4517', 'H 04601', 'H 04500', '04517']) expect(numberIn(string, other)).toBeUndefined();
  });
});

describe('a string', () => {
  it('knows its next, what it passed over, and what is left', () => {
    expect(stringStanding(string, on)).toEqual({ used: 3, unused: 1, left: 96, next: 'H 04506', gaps: ['H 04504'], twice: [] });
    expect(stringStanding(string, [...on, 'H 04501']).twice).toEqual(['H 04501']);
    expect(stringStanding({ ...string, last: 4505 }, on)).toMatchObject({ left: 1, gaps: ['H 04504'] });
    expect(stringStanding({ ...string, last: 4505 }, on).next).toBeUndefined();
    expect(stringStanding(string, [])).toMatchObject({ used: 0, next: 'H 04504', gaps: ['H 04501', 'H 04502'] });
    expect(stringStanding({ ...string, unused: [] }, []).next).toBe('H 04501');
  });

  it('catches any single wrong digit and any swap of neighbours in a number that is to be put on', () => {
    const out = new Set(on);
    let tried = 0;
    for (let n = 4506; n <= 4600; n++) {
      const ringed = Array.from({ length: n - 4506 }, (_, i) => `H 0${4506 + i}`);
      const next = `H 0${n}`;
      const standing = new Set([...out, ...ringed]);
      expect(checkRing(next, [string], standing, [...on, ...ringed])).toEqual({ kind: 'next' });
      for (let i = 2; i < 7; i++) {
        for (const digit of '0123456789') {
          if (digit === next[i]) continue;
          const wrong = next.slice(0, i) + digit + next.slice(i + 1);
          expect(isSlip(wrong, next)).toBe(true);
          expect(checkRing(wrong, [string], standing, [...on, ...ringed]).kind).not.toBe('next');
          tried++;
        }
        const swapped = next.slice(0, i) + (next[i + 1] ?? '') + next[i] + next.slice(i + 2);
        if (i < 6 && swapped !== next) {
          expect(isSlip(swapped, next)).toBe(true);
          expect(checkRing(swapped, [string], standing, [...on, ...ringed]).kind).not.toBe('next');
        }
      }
    }
    expect(tried).toBe(95 * 45);
  });

  it('says what a number can be', () => {
    const out = new Set(on);
    expect(checkRing('H 04501', [string], out, on)).toEqual({ kind: 'out' });
    expect(checkRing('H 04507', [string], out, on)).toEqual({ kind: 'not-next', next: 'H 04506', slip: true });
    expect(checkRing('H 04560', [string], out, on)).toEqual({ kind: 'not-next', next: 'H 04506', slip: true });
    expect(checkRing('H 04571', [string], out, on)).toEqual({ kind: 'not-next', next: 'H 04506', slip: false });
    expect(checkRing('H 40501', [string], out, on)).toEqual({ kind: 'unknown', near: ['H 04501'] });
    expect(checkRing('Z 1', [], new Set(), [])).toEqual({ kind: 'unknown', near: [] });
  });
});
