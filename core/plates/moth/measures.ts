import type { Measure } from '../measure';
import type { Traits } from '../traits';
import { antennaPath } from './body';
import { mothModel, type MothModel } from './model';
import { wingReach } from './spread';

const wing = (model: MothModel): Measure => ({ name: 'fore wing', line: wingReach(model).length });

/** Where each measured character is taken on the drawing: one line for a length, two for a ratio. */
const TAKEN: Record<string, (model: MothModel) => Measure[]> = {
  'wing-length': (model) => [wing(model)],
  'wing-ratio': (model) => [wing(model), { name: 'breadth', line: wingReach(model).breadth }],
  'antenna-ratio': (model) => [
    { name: 'antenna', line: antennaPath(model, 1, [model.wing * 0.03, model.wing * 0.03]) },
    wing(model),
  ],
  'band-ratio': (model) => [{ name: 'band', line: wingReach(model).band }, wing(model)],
};

/** The lines along which a character is measured on a moth; none for characters that are not measured. */
export const mothMeasures = (traits: Traits, character: string): Measure[] => TAKEN[character]?.(mothModel(traits)) ?? [];
