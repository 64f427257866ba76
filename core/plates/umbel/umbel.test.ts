import { bogUmbels } from '../../../demo/bogUmbels';
import { drawnGuide } from '../../test/plans';
import { lengthOf } from '../measure';
import { umbelShows } from '.';
import { umbelMeasures } from './measures';
import { rayEnds } from './flower';
import { umbelModel } from './model';

const { changed } = drawnGuide(bogUmbels);
const base = { 'leaf-division': 'twice', 'leaflet-edge': 'toothed', rays: 9, 'fruit-ribs': 'ridged', bracts: 'few' };

describe('an umbel with one score changed', () => {
  it.each([
    ['leaf-sheath', 'inflated', 'leaf', ['sheath']],
    ['leaflet-edge', 'entire', 'leaf', ['leaf']],
    ['stem-section', 'chambered', 'stem', ['section']],
    ['stem-marks', 'blotched', 'stem', ['marks']],
    ['bracts', 'many', 'umbel', ['bracts']],
    ['ray-spread', 'ball', 'umbel', ['heads', 'rays']],
    ['petal-tip', 'curled', 'flower', ['petals']],
    ['outer-petals', 'enlarged', 'flower', ['petals']],
    ['bracteoles', 'one-sided', 'flower', ['bracteoles']],
    ['fruit-styles', 'long', 'fruit', ['styles']],
    ['fruit-coat', 'hooked', 'fruit', ['coat']],
    ['fruit-ribs', 'winged', 'fruit', ['ribs']],
    ['fruit-tint', 'purple', 'fruit', ['fruit']],
    ['petal-colour', 'pink', 'habit', ['heads']],
    ['fruit-ribs', 'winged', 'leaf', []],
    ['stem-section', 'solid', 'habit', []],
  ] as const)('%s to %s, %s: only that part', (character, state, view, parts) => {
    expect(changed(base, { [character]: state }, view)).toEqual(parts);
  });

  it('in fruit the umbellet bears fruits, and in leaf the plant has no umbel', () => {
    expect(changed(base, { bears: 'fruits' }, 'flower')).toEqual(expect.arrayContaining(['fruit', 'petals']));
    expect(changed(base, { bears: 'leaves' }, 'habit')).toEqual(expect.arrayContaining(['rays', 'stalk']));
  });
});

describe('what a view shows', () => {
  it('leaves have no umbel, and flowers no fruit yet', () => {
    const views = ['habit', 'leaf', 'stem', 'umbel', 'flower', 'fruit'] as const;
    const shown = (bears: string) => views.filter((view) => umbelShows({ bears }, view));
    expect(shown('leaves')).toEqual(['habit', 'leaf', 'stem']);
    expect(shown('flowers')).toEqual(['habit', 'leaf', 'stem', 'umbel', 'flower']);
    expect(shown('fruits')).toEqual([...views]);
  });
});

describe('measures of an umbel', () => {
  it.each(['oval', 'wedge', 'lance'])('are exact for a leaflet that is %s, and for the fruit', (leaflet) => {
    const ratio = (id: string, traits: Record<string, string | number>) => {
      const [over, under] = umbelMeasures(traits, id).map(lengthOf);
      return over / under;
    };
    expect(ratio('leaflet-ratio', { 'leaflet-shape': leaflet, 'leaflet-ratio': 0.37 })).toBeCloseTo(0.37, 2);
    expect(ratio('fruit-ratio', { 'fruit-ratio': 2.2 })).toBeCloseTo(2.2, 9);
    expect(lengthOf(umbelMeasures({ height: 64 }, 'height')[0])).toBeCloseTo(640, 9);
  });

  it('an umbel has as many rays as counted', () => {
    expect(rayEnds(umbelModel({ rays: 17 }), [0, 0], 60)).toHaveLength(17);
  });
});
