import type { Measure } from '../measure';
import type { Traits } from '../traits';
import { fruitReach } from './fruit';
import { endLeaflet } from './leaf';
import { umbelModel, type UmbelModel } from './model';

/** Where each measured character is taken on the drawing: one line for a length, two for a ratio. */
const TAKEN: Record<string, (model: UmbelModel) => Measure[]> = {
  height: ({ height }) => [
    {
      name: 'height',
      line: [
        [0, 0],
        [0, -height * 10],
      ],
    },
  ],
  'leaflet-ratio': (model) => {
    const { width, length } = endLeaflet(model);
    return [
      { name: 'width', line: width },
      { name: 'length', line: length },
    ];
  },
  'fruit-ratio': (model) => {
    const { length, width } = fruitReach(model);
    return [
      { name: 'length', line: length },
      { name: 'width', line: width },
    ];
  },
};

/** The lines along which a character is measured on an umbel; none for characters that are not measured. */
export const umbelMeasures = (traits: Traits, character: string): Measure[] => TAKEN[character]?.(umbelModel(traits)) ?? [];
