import type { Point } from '../geometry';
import type { Measure } from '../measure';
import type { Traits } from '../traits';
import { tailReach, wingReach } from './below';
import { billEdges } from './head';
import { HEAD, ternModel, type TernModel } from './model';
import { tarsus } from './leg';
import { atOf, WING_TIP, WRIST } from './sheet';

type Line = readonly [Point, Point];

const line = (model: TernModel, name: string, [a, b]: Line): Measure => ({ name, line: [a, b].map(atOf(model)) });

const bill = (model: TernModel) => {
  const { base, tip } = billEdges(model);
  return line(model, 'bill', [base, tip]);
};

/** From the base of the bill to the back of the head. */
const head = (model: TernModel) => {
  const { base } = billEdges(model);
  return line(model, 'head', [base, [base[0] + HEAD, base[1]]]);
};

/** Where each measured character is taken on the drawing: one line for a length, two for a ratio. */
const TAKEN: Record<string, (model: TernModel) => Measure[]> = {
  'wing-chord': (model) => [line(model, 'wing', [WRIST, WING_TIP])],
  'bill-ratio': (model) => [bill(model), head(model)],
  'bill-depth': (model) => {
    const { top, foot } = billEdges(model);
    return [line(model, 'depth', [top, foot]), bill(model)];
  },
  'leg-ratio': (model) => [line(model, 'leg', tarsus(model)), bill(model)],
  'fork-ratio': (model) => {
    const { fork, tail } = tailReach(model);
    return [line(model, 'fork', fork), line(model, 'tail', tail)];
  },
  'wing-ratio': (model) => {
    const { chord, breadth } = wingReach(model);
    return [line(model, 'wing', chord), line(model, 'breadth', breadth)];
  },
};

/** The lines along which a character is measured on a tern; none for characters that are not measured. */
export const ternMeasures = (traits: Traits, character: string): Measure[] => TAKEN[character]?.(ternModel(traits)) ?? [];
