import { sample } from '../geometry';
import { type Measure, widestOf } from '../measure';
import type { Traits } from '../traits';
import { apertureAcross } from './draw';
import { coneModel, type ConeModel } from './model';
import { coneOutline, spireHeight, widthOf } from './outline';

const length = (model: ConeModel): Measure => ({
  name: 'length',
  line: [
    [0, 0],
    [0, model.length],
  ],
});
const width = (model: ConeModel, name = 'width'): Measure => widestOf(sample(coneOutline(model), 12), name);

/** Where each measured character is taken on the drawing: one line for a length or angle, two for a ratio. */
const TAKEN: Record<string, (model: ConeModel) => Measure[]> = {
  'shell-length': (model) => [length(model)],
  'outline-ratio': (model) => [width(model), length(model)],
  'spire-angle': (model) => {
    const [half, spire] = [widthOf(model) / 2, spireHeight(model)];
    return [
      {
        name: 'angle',
        line: [
          [-half, spire],
          [0, 0],
          [half, spire],
        ],
      },
    ];
  },
  'aperture-ratio': (model) => [{ name: 'opening', line: apertureAcross(model) }, width(model, 'shell')],
};

/** The lines along which a character is measured on a shell; none for characters that are not measured. */
export function coneMeasures(traits: Traits, character: string): Measure[] {
  return TAKEN[character]?.(coneModel(traits)) ?? [];
}
