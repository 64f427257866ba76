import { sayDate } from './dates';

/** As the browser's own formatter says it in British English; it is slow to get ready, not wrong. */
const STYLES = {
  day: { day: 'numeric', month: 'short', year: 'numeric' },
  weekday: { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' },
  minute: { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' },
  month: { month: 'short', year: 'numeric' },
  clock: { hour: '2-digit', minute: '2-digit' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;

describe.each(Object.keys(STYLES) as (keyof typeof STYLES)[])('%s', (style) => {
  const formatter = (timeZone?: string) => new Intl.DateTimeFormat('en-GB', { ...STYLES[style], timeZone });
  const comma = (text: string) => text.replace(/^([A-Z][a-z]+day), /, '$1 ');
  const days = Array.from({ length: 366 }, (_, i) => new Date(Date.UTC(2024, 0, 1 + i, (i * 5) % 24, (i * 7) % 60)));

  it('is said of an instant in local time', () => {
    const local = formatter();
    for (const at of days) expect(sayDate(at.toISOString(), style)).toBe(comma(local.format(at)));
  });

  it('is said of a day without a time as of that day, wherever one is', () => {
    if (style === 'minute' || style === 'clock') return expect(sayDate('2026-05-12', 'clock')).toBe('00:00');
    const day = formatter('UTC');
    for (const at of days) {
      const iso = at.toISOString().slice(0, 10);
      expect(sayDate(iso, style)).toBe(comma(day.format(new Date(iso))));
    }
  });
});

it('is nothing where there is no date', () => {
  expect([undefined, '', 'soon', '2026-13-01', '2026-05-12Tlate'].map((text) => sayDate(text))).toEqual(Array(5).fill(undefined));
});
