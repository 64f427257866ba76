import { initialsFor } from './initials';

it.each([
  ['Tove Arne', [], 'TA'],
  ['mira', [], 'MI'],
  ['mira', ['MI'], 'MIR'],
  ['mira', ['MI', 'MIR', 'MIRA'], 'MI2'],
  ['mira', ['MI', 'MIR', 'MIRA', 'MI2'], 'MI3'],
  ['Tove Arne', ['TA'], 'TAR'],
  ['Åse Ödman', [], 'ÅÖ'],
  ['7 4', [], 'X'],
  ['7 4', ['X'], 'X2'],
  ['a b c d e f', [], 'ABCD'],
])('%s, where %j are taken, signs %s', (name, taken, initials) => {
  expect(initialsFor(name, new Set(taken))).toBe(initials);
});
