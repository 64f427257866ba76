import { boxOf, mix, type Point, sample } from '../geometry';
import { abdomenOutline, sternumOutline } from './belly';
import { carapaceOutline, onCarapace } from './carapace';
import { clawLines } from './claws';
import { legJoints } from './legs';
import { type CrabModel, crabModel } from './model';
import type { Traits } from '../traits';

/** A length on the plate, along straight lines. */
export interface Measure {
  name: string;
  line: Point[];
}

/** Millimetres along a measure. */
export const lengthOf = ({ line }: Measure): number =>
  line.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - line[i][0], y - line[i][1]), 0);

function widestOf(outline: Point[], name: string): Measure {
  const box = boxOf(outline);
  const right = outline.reduce((a, b) => (b[0] > a[0] ? b : a));
  return {
    name,
    line: [
      [box.x, right[1]],
      [box.x + box.width, right[1]],
    ],
  };
}

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

/** The middle of a measure, for its label. */
export const middleOf = ({ line }: Measure): Point => mix(line[0], line[line.length - 1], 0.5);
