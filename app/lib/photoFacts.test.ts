import { factsIn } from './photoFacts';

it('a photo says when and where it was taken, as far as its camera wrote it', () => {
  expect(factsIn({ DateTimeOriginal: '2026:05:12 10:11:12', latitude: -41.234567, longitude: -28.1 })).toEqual({
    date: '2026-05-12',
    latitude: -41.23457,
    longitude: -28.1,
  });
  expect(factsIn({ CreateDate: '2026:05:13 00:00:00' })).toEqual({ date: '2026-05-13' });
  // Clocks that were never set, places that are none.
  for (const tags of [
    {},
    { DateTimeOriginal: '0000:00:00 00:00:00' },
    { DateTimeOriginal: '2026:13:41 10:00:00' },
    { DateTimeOriginal: 'yesterday' },
    { latitude: 0, longitude: 0 },
    { latitude: NaN, longitude: 3 },
    { latitude: 10 },
  ])
    expect(factsIn(tags)).toEqual({});
});
