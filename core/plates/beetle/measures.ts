import { sample } from '../geometry';
import { type Measure, widestOf } from '../measure';
import type { Traits } from '../traits';
import { antennaPath } from './dorsal';
import { firstSegmentLine, spurLine } from './hindLeg';
import { beetleModel, type BeetleModel, proportions } from './model';
import { elytraOutline, pronotumOutline } from './outline';

const midline = (name: string, from: number, to: number): Measure => ({
  name,
  line: [
    [0, from],
    [0, to],
  ],
});

/** Where each measured character is taken on the drawing: one line for a length, two for a ratio. */
const TAKEN: Record<string, (model: BeetleModel) => Measure[]> = {
  'body-length': (model) => [midline('length', 0, model.length)],
  'elytra-ratio': (model) => {
    const { head, pronotum } = proportions(model);
    return [midline('length', head + pronotum, model.length), widestOf(sample(elytraOutline(model), 12), 'width')];
  },
  'pronotum-ratio': (model) => {
    const { head, pronotum } = proportions(model);
    return [widestOf(sample(pronotumOutline(model), 12), 'width'), midline('length', head, head + pronotum)];
  },
  'antenna-reach': (model) => [{ name: 'antenna', line: antennaPath(model) }, midline('body', 0, model.length)],
  'spur-ratio': (model) => [
    { name: 'spur', line: spurLine(model) },
    { name: 'first segment', line: firstSegmentLine(model) },
  ],
};

/** The lines along which a character is measured on a beetle; none for characters that are not measured. */
export function beetleMeasures(traits: Traits, character: string): Measure[] {
  return TAKEN[character]?.(beetleModel(traits)) ?? [];
}
