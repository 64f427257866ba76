import { terns } from '../../../demo/terns';
import { drawnGuide } from '../../test/plans';
import { lengthOf } from '../measure';
import { ternMeasures } from './measures';

const { compiled, usual, changed } = drawnGuide(terns);
const base = {
  ...usual(compiled.forms.findIndex(({ id }) => id.startsWith('sodalis/adult.breeding'))),
  'bill-tip': 'same',
  'primary-tips': 'none',
};

describe('a tern with one score changed', () => {
  it.each([
    ['bill-tip', 'dark', 'perched', ['bill']],
    ['leg-colour', 'black', 'perched', ['legs']],
    ['nape', 'shaggy', 'perched', ['crest']],
    ['cap', 'receding', 'perched', ['cap']],
    ['carpal-bar', 'bold', 'perched', ['carpal-bar']],
    ['saddle', 'scaly', 'perched', ['saddle']],
    ['tail-reach', 'beyond', 'perched', ['tail']],
    ['underparts', 'dark', 'perched', ['underparts']],
    ['primary-tips', 'wedge', 'below', ['primaries']],
    ['moult', 'inner', 'below', ['primaries']],
    ['secondaries', 'dark', 'below', ['secondaries']],
    ['tail-edge', 'dark', 'below', ['tail']],
    ['cap', 'white-forehead', 'head-on', ['cap']],
    ['wing-posture', 'raised', 'head-on', ['wings']],
    ['primary-tips', 'wedge', 'perched', []],
    ['saddle', 'scaly', 'below', []],
  ] as const)('%s to %s, %s: only that part', (character, state, view, parts) => {
    const from = {
      ...base,
      'tail-edge': 'white',
      'tail-reach': 'level',
      underparts: 'white',
      'light-window': 'none',
      'leg-colour': 'red',
    };
    expect(changed(from, { [character]: state }, view)).toEqual(parts);
  });

  it('a longer leg moves the foot and the ground under it, nothing else', () => {
    expect(changed(base, { 'leg-ratio': 0.66 }, 'perched')).toEqual(['ground', 'legs']);
  });
});

describe('measures of a tern', () => {
  it('are exact: bill in heads, leg in bills, fork in tails, wing in its breadth', () => {
    const traits = {
      'bill-ratio': 1.1,
      'bill-depth': 0.31,
      'leg-ratio': 0.47,
      'fork-ratio': 0.62,
      'wing-ratio': 4.4,
      'bill-shape': 'drooped',
    };
    for (const [id, wanted] of Object.entries(traits)) {
      if (typeof wanted !== 'number') continue;
      const [over, under] = ternMeasures(traits, id).map(lengthOf);
      expect(over / under).toBeCloseTo(wanted, 3);
    }
    expect(lengthOf(ternMeasures({ 'wing-chord': 181 }, 'wing-chord')[0])).toBeCloseTo(181, 6);
  });
});
