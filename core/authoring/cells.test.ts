import { demoGuides } from '../../demo';
import { parseCell, printCell } from '.';
import type { DraftCharacter } from './schema';

const legs: DraftCharacter = {
  ...{ id: 'legs', label: 'Legs', kind: 'nominal', group: 'colour', views: ['whole'], handling: 'look' },
  ...{ distance: 'near', needsLight: true, seconds: 5 },
  states: ['red', 'dark red', 'rarely seen green'].map((label) => ({ id: label.replace(/ /g, '-'), label })),
};
const length: DraftCharacter = {
  ...legs,
  id: 'length',
  label: 'Length',
  kind: 'measurement',
  states: undefined,
  error: 0.2,
  unit: 'mm',
};
const spines: DraftCharacter = {
  ...legs,
  id: 'spines',
  label: 'Spines',
  kind: 'count',
  states: undefined,
  counts: { from: 0, to: 12 },
};

it.each<[DraftCharacter, string, unknown]>([
  [legs, 'red', { kind: 'states', states: { red: 'always' } }],
  [legs, 'Red usually', { kind: 'states', states: { red: 'usually' } }],
  [legs, 'usually red; dark red rarely', { kind: 'states', states: { red: 'usually', 'dark-red': 'rarely' } }],
  [legs, 'red 80%; dark red 20 %', { kind: 'states', states: { red: 0.8, 'dark-red': 0.2 } }],
  [legs, 'red or dark red', { kind: 'states', states: { red: 0.49, 'dark-red': 0.49 } }],
  [legs, 'red; dark red rarely', { kind: 'states', states: { red: 0.9, 'dark-red': 'rarely' } }],
  [legs, 'red; dark red never', { kind: 'states', states: { red: 'always', 'dark-red': 'never' } }],
  [
    legs,
    'red, dark red, rarely rarely seen green',
    { kind: 'states', states: { red: 0.45, 'dark-red': 0.45, 'rarely-seen-green': 'rarely' } },
  ],
  [spines, '4; 5 rarely', { kind: 'counts', counts: { 4: 0.9, 5: 'rarely' } }],
  [legs, 'rarely seen green', { kind: 'states', states: { 'rarely-seen-green': 'always' } }],
  [legs, 'does not apply', { kind: 'applies', frequency: 'never' }],
  [length, '(28–)31–38(–41)', { kind: 'range', range: '(28–)31–38(–41)' }],
  [length, '31 - 38', { kind: 'range', range: '31-38' }],
  [length, '12.5 ± 1.5', { kind: 'values', mean: 12.5, sd: 1.5 }],
  [length, '12 ±1 (n 14)', { kind: 'values', mean: 12, sd: 1, n: 14 }],
  [length, '12 ± 1 (n = 14)', { kind: 'values', mean: 12, sd: 1, n: 14 }],
  [length, '4,5–6', { kind: 'range', range: '4.5–6' }],
  [length, '0,125', { kind: 'values', mean: 0.125, sd: 0.2 }],
  [length, '5 – 7 mm', { kind: 'range', range: '5–7' }],
  [length, '(0.4–)0.5–0.7 cm', { kind: 'range', range: '(4–)5–7' }],
  [length, '1,2 ±0,1 cm', { kind: 'values', mean: 12, sd: 1 }],
  [length, '12', { kind: 'values', mean: 12, sd: 0.2 }],
  [spines, '4', { kind: 'counts', counts: { 4: 'always' } }],
  [spines, '4–5', { kind: 'counts', counts: { 4: 0.49, 5: 0.49 } }],
  [spines, '4 usually; 5 rarely', { kind: 'counts', counts: { 4: 'usually', 5: 'rarely' } }],
  [legs, 'either red or dark red', { kind: 'states', states: { red: 0.49, 'dark-red': 0.49 }, uncertain: true }],
  [legs, 'Either red; rarely seen green', { kind: 'states', states: { red: 0.49, 'rarely-seen-green': 0.49 }, uncertain: true }],
  [legs, ' ? ', undefined],
  [length, '', undefined],
])('%#: a cell is read', (character, text, value) => {
  expect(parseCell(character, text)).toEqual({ ok: true, value });
});

it.each<[DraftCharacter, string, RegExp]>([
  [legs, 'blue', /“Legs” has no state “blue”; it has red, dark red, rarely seen green/],
  [legs, 'red 120%', /more than 100/],
  [legs, 'red usually; dark red sometimes', /together these are 115 in 100/],
  [spines, '4 80%; 5 30%', /110 in 100/],
  [legs, 'red; dark red 99%', /197 in 100/],
  [length, 'long', /not a range/],
  [length, '1,000', /comma of “1,000” may part thousands or decimals/],
  [length, '1,234.5', /may part thousands or decimals/],
  [length, '5 kg', /“kg” is not what “Length” is measured in, which is mm/],
  [legs, 'either red', /after “either” two states or more are named/],
  [legs, 'either red; red', /after “either” two states/],
  [legs, 'either red rarely; dark red', /without how often/],
  [legs, 'red often; red never', /“red” is said twice, and not alike/],
  [length, '38–31', /does not rise/],
  [length, '12 ±0', /above 0/],
  [spines, '4.5', /no whole number/],
  [spines, '13', /counted from 0 to 12/],
  [spines, '5–4', /does not rise/],
])('%#: what cannot be read is refused with why', (character, text, message) => {
  const outcome = parseCell(character, text);
  expect(outcome).toMatchObject({ ok: false, problems: [{ code: 'cell-unreadable', message: expect.stringMatching(message) }] });
});

it('every score of the demo guides is printed and read back the same', () => {
  let all = 0;
  for (const guide of demoGuides)
    for (const { character, value } of guide.scores) {
      if (value.kind === 'comparison' || (value.kind === 'applies' && value.frequency !== 'never')) continue;
      const own = guide.characters.find(({ id }) => id === character)!;
      const read = parseCell(own, printCell(own, value));
      const printed = read.ok && read.value ? printCell(own, read.value) : undefined;
      expect(printed).toBe(printCell(own, value));
      all++;
    }
  expect(all).toBeGreaterThan(800);
});

it('prints the same whatever order the states or numbers were kept in', () => {
  const character = { states: ['red', 'black', 'blue'].map((id) => ({ id, label: id })) };
  const frequencies = [
    ['black', 'rarely'],
    ['blue', 'usually'],
    ['red', 'rarely'],
  ] as const;
  const said = [frequencies, frequencies.toReversed()].map((all) =>
    printCell(character, { kind: 'states', states: Object.fromEntries(all) }),
  );
  expect(said).toEqual(['blue usually; red rarely; black rarely', 'blue usually; red rarely; black rarely']);
});
