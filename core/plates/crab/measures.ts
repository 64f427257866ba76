import { sample } from '../geometry';
import { type Measure, widestOf } from '../measure';
import { abdomenOutline, sternumOutline } from './belly';
import { carapaceOutline, onCarapace } from './carapace';
import { clawLines } from './claws';
import { legJoints } from './legs';
import { type CrabModel, crabModel } from './model';
import type { Traits } from '../traits';

const width = (model: CrabModel, name: string) => widestOf(sample(carapaceOutline(model), 12), name);

/** Where each measured character is taken on the drawing: one line for a length, two for a ratio. */
const TAKEN: Record<string, (model: CrabModel) => Measure[]> = {
  'carapace-width': (model) => [width(model, 'width')],
  'width-ratio': (model) => [width(model, 'width'), { name: 'length', line: [[0, 0], onCarapace(model, 0, 1)] }],
  'abdomen-ratio': (model) => [
    widestOf(sample(abdomenOutline(model), 12), 'abdomen'),
    widestOf(sample(sternumOutline(model), 12), 'breastplate'),
  ],
  'claw-ratio': (model) => [{ name: 'claw', line: clawLines(model).length }, width(model, 'carapace')],
  'claw-depth': (model) => [
    { name: 'depth', line: clawLines(model).depth },
    { name: 'length', line: clawLines(model).length },
  ],
  'leg-ratio': (model) => [{ name: 'leg', line: legJoints(model, 1, onCarapace(model, 0.8, 0.51)) }, width(model, 'carapace')],
};

/** The lines along which a character is measured on a crab; none for characters that are not measured. */
export function crabMeasures(traits: Traits, character: string): Measure[] {
  return TAKEN[character]?.(crabModel(traits)) ?? [];
}
