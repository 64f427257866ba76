import { lanternMoths } from '../../../demo/lanternMoths';
import { drawnGuide } from '../../test/plans';
import { lengthOf } from '../measure';
import { drawMoth } from '.';
import { mothMeasures } from './measures';

const { changed } = drawnGuide(lanternMoths);
const base = { lantern: 'round', midband: 'straight', 'outer-line': 'single', antenna: 'thread' };

describe('a moth with one score changed', () => {
  it.each([
    ['antenna', 'feather', 'spread', ['antenna']],
    ['lantern', 'ring', 'spread', ['lantern']],
    ['lantern-colour', 'red', 'spread', ['lantern']],
    ['midband', 'angled', 'spread', ['midband']],
    ['band-ratio', 0.3, 'spread', ['midband']],
    ['outer-line', 'double', 'spread', ['outer-line']],
    ['fringe', 'chequered', 'spread', ['fringe']],
    ['hind-border', 'broad', 'spread', ['hind-border']],
    ['hind-colour', 'rose', 'spread', ['hind-wing']],
    ['abdomen', 'ringed', 'spread', ['abdomen']],
    ['collar', 'banded', 'spread', ['collar']],
    ['tail-tuft', 'long', 'spread', ['tuft']],
    ['hind-colour', 'rose', 'rest', []],
    ['hind-border', 'broad', 'rest', []],
  ] as const)('%s to %s, %s: only that part', (character, state, view, parts) => {
    expect(changed(base, { [character]: state }, view)).toEqual(parts);
  });
});

describe('measures of a moth', () => {
  it('are exact: wing in its breadth, antenna and band in wings', () => {
    const traits = { 'wing-ratio': 1.93, 'antenna-ratio': 0.55, 'band-ratio': 0.27, 'wing-length': 17 };
    for (const id of ['wing-ratio', 'antenna-ratio', 'band-ratio'] as const) {
      const [over, under] = mothMeasures(traits, id).map(lengthOf);
      expect(over / under).toBeCloseTo(traits[id], 2);
    }
    expect(lengthOf(mothMeasures(traits, 'wing-length')[0])).toBeCloseTo(17, 6);
  });

  it('wings never reach across the back at rest', () => {
    for (const posture of ['roof', 'flat', 'rolled']) {
      const { parts } = drawMoth({ 'rest-posture': posture }, 'rest');
      expect(parts['fore-wing'].x + parts['fore-wing'].width / 2).toBeCloseTo(0, 1);
    }
  });
});
