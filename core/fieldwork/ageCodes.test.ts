import { AGE_FAMILIES, ageNow, convertAge, familyYear, hatchedBy } from '.';
import type { AgeFamily } from './schema';

const day = '2026-07-01';
const convert = (family: string, code: string, to: string, on = day, families = AGE_FAMILIES) => {
  const found = convertAge({ family, code }, to, on, families);
  return found.ok ? found.value.codes : found.problems[0].code;
};

describe('codes of age', () => {
  it.each([
    ['HY', ['3']],
    ['L', ['1']],
    ['AHY', ['4']],
    ['SY', ['5']],
    ['ASY', ['6']],
    ['TY', ['7']],
    ['ATY', ['8']],
    ['U', ['2']],
  ])('%s is %j in the numeric series, and back', (letters, numbers) => {
    expect(convert('letters', letters, 'numbers')).toEqual(numbers);
    expect(convert('numbers', numbers[0], 'letters')).toEqual([letters]);
  });

  it('are refused where no code says the same, and where they are none', () => {
    const own: AgeFamily = {
      id: 'own',
      label: 'own',
      reference: '01-01',
      codes: [{ code: 'J', label: 'young', from: 0, to: 1 }],
    };
    expect(convert('own', 'J', 'letters', day, [...AGE_FAMILIES, own])).toBe('no-such-age');
    expect(convert('letters', 'XX', 'numbers')).toBe('unknown-code');
    expect(convert('letters', 'HY', 'runes')).toBe('unknown-family');
    expect(convert('runes', 'HY', 'letters')).toBe('unknown-family');
  });

  it('of a family that turns over in summer are held against the days of hatching', () => {
    const summer: AgeFamily = {
      id: 'summer',
      label: 'summer years',
      reference: '07-01',
      codes: [
        { code: 'a', label: 'this season', from: 0, to: 0 },
        { code: 'b', label: 'last season', from: 1, to: 1 },
      ],
    };
    const families = [...AGE_FAMILIES, summer];
    expect(familyYear(summer, '2026-06-30')).toBe(2025);
    expect(familyYear(summer, '2026-07-01')).toBe(2026);
    // Hatched from July 2026 on is not the same as hatched in 2026, unless the kind hatches in August only.
    const code = { family: 'letters', code: 'HY' };
    expect(convertAge(code, 'summer', '2026-09-01', families).ok).toBe(false);
    const august = convertAge(code, 'summer', '2026-09-01', families, { from: '08-01', to: '08-31' });
    expect(august.ok && august.value.codes).toEqual(['a']);
    // In the spring after, the one has turned over and the other has not.
    const spring = convertAge({ family: 'letters', code: 'SY' }, 'summer', '2027-03-01', families, {
      from: '08-01',
      to: '08-31',
    });
    expect(spring.ok && spring.value.codes).toEqual(['a']);
  });

  it('say when it may have hatched', () => {
    const told = (code: string) => {
      const found = hatchedBy({ family: 'letters', code }, '2026-07-01');
      return found.ok ? found.value : undefined;
    };
    expect(told('HY')).toEqual({ from: '2026-01-01', to: '2026-07-01' });
    expect(told('SY')).toEqual({ from: '2025-01-01', to: '2025-12-31' });
    expect(told('AHY')).toEqual({ to: '2025-12-31' });
  });
});

describe('age now', () => {
  const seen = (...all: [string, string][]) => all.map(([on, code]) => ({ day: on, age: { family: 'letters', code } }));

  it('is counted from the first code by the family’s day, and narrowed by each that follows', () => {
    const first = ageNow(seen(['2023-06-02', 'AHY']), '2026-05-01');
    expect(first.ok && first.value).toEqual({ least: 4, hatched: { to: '2022-12-31' } });
    const both = ageNow(seen(['2023-06-02', 'AHY'], ['2024-06-02', 'TY']), '2026-05-01');
    expect(both.ok && both.value).toMatchObject({ least: 4, most: 4 });
    const eve = ageNow(seen(['2023-06-02', 'HY']), '2023-12-31');
    expect(eve.ok && eve.value).toMatchObject({ least: 0, most: 0 });
    const newYear = ageNow(seen(['2023-06-02', 'HY']), '2024-01-01');
    expect(newYear.ok && newYear.value).toMatchObject({ least: 1, most: 1 });
  });

  it('is refused where two codes cannot both be right, by name', () => {
    const wrong = ageNow(seen(['2023-06-02', 'AHY'], ['2024-06-02', 'SY']), '2026-05-01');
    expect(wrong.ok || wrong.problems[0]).toMatchObject({
      code: 'ages-disagree',
      message: expect.stringContaining('SY') as string,
    });
  });

  it('is nothing where nothing was written', () => {
    const none = ageNow([{ day: '2026-01-01' }], '2026-05-01');
    expect(none).toEqual({ ok: true, value: undefined });
  });
});
