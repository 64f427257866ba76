import type { Character } from '../../guide/working';
import { cropPlate, type Plate, squareRound } from '../display';
import type { Box } from '../geometry';
import { finish, newPen } from '../pen';
import type { Traits } from '../traits';
import { drawBelow } from './below';
import { drawHeadOn } from './headOn';
import { sizeOf, ternModel } from './model';
import { drawPerched } from './perched';

/** A tern with nothing remarkable about it: tiles differ only in the state they show. */
const NEUTRAL: Traits = { 'wing-chord': 265, 'mantle-tone': 'mid', 'bill-colour': 'red' };

/** What goes with a character, so that its states can be seen. */
const WITH: Record<string, Traits> = {
  'saddle-tint': { saddle: 'scaly' },
  'bill-tip': { 'bill-colour': 'orange', 'bill-depth': 0.32 },
};

/** A window on the bird, in hundredths of the wing chord, and how heavy the lines are in it. */
interface Window {
  draw: typeof drawPerched;
  window: Box;
  scale: number;
  detail?: 'tile' | 'figure';
  /** Parts that would only crowd the window. */
  without?: readonly string[];
}

const AFT = ['primaries', 'tail', 'far-wing', 'tertials'] as const;

const square = (x: number, y: number, side: number): Box => ({ x, y, width: side, height: side });

/** Which window shows a part. Only what lies in it is kept. */
const PARTS: Record<string, Window> = {
  bill: { draw: drawPerched, window: square(-3.5, -31, 26), scale: 0.4 },
  cap: { draw: drawPerched, window: square(8, -31, 27), scale: 0.4 },
  crest: { draw: drawPerched, window: square(12, -32, 30), scale: 0.42 },
  legs: { draw: drawPerched, window: square(44, 10, 30), scale: 0.5 },
  mantle: { draw: drawPerched, window: square(20, -28, 58), scale: 0.7, without: AFT },
  saddle: { draw: drawPerched, window: square(28, -16, 40), scale: 0.5, without: [...AFT, 'legs', 'eye', 'cap'] },
  'carpal-bar': { draw: drawPerched, window: square(24, -14, 36), scale: 0.5 },
  underparts: { draw: drawPerched, window: square(10, -28, 58), scale: 0.7, without: AFT },
  'tail-tip': { draw: drawPerched, window: square(98, -18, 54), scale: 0.7 },
  tail: { draw: drawBelow, window: square(-34, 22, 68), scale: 0.7 },
  primaries: { draw: drawBelow, window: square(36, -52, 112), scale: 0.9 },
  secondaries: { draw: drawBelow, window: square(2, -40, 58), scale: 0.7 },
  wings: { draw: drawHeadOn, window: square(-126, -126, 252), scale: 1.5, detail: 'figure' },
  'light-window': { draw: drawBelow, window: square(4, -52, 130), scale: 0.9, without: ['tail', 'legs', 'bill', 'cap'] },
};

/**
 * A small drawing of one state: the bird with that state, seen through a window on
 * the part that shows it. Undefined for characters the plan cannot draw.
 */
export function ternTile(character: Character, state: string | number): Plate | undefined {
  const shown = character.plate && PARTS[character.plate.part];
  if (!shown) return undefined;
  const model = ternModel({ ...NEUTRAL, ...WITH[character.id], [character.id]: state });
  const pen = newPen(sizeOf(model) * shown.scale, shown.detail ?? 'tile');
  shown.draw(pen, model);
  const k = model.chord / 100;
  const { x, y, width, height } = shown.window;
  const window = { x: x * k, y: y * k, width: width * k, height: height * k };
  const plate = finish(pen);
  return cropPlate(
    { ...plate, inks: plate.inks.filter((ink) => !shown.without?.includes(ink.part) && touches(ink.d, window)) },
    squareRound(window, 0),
  );
}

/** May a path be seen through the window? Judged by the box of its points. */
function touches(d: string, { x, y, width, height }: Box): boolean {
  let [px, py, x0, y0, x1, y1] = [0, 0, Infinity, Infinity, -Infinity, -Infinity];
  for (const [, letter, rest] of d.matchAll(/([a-zA-Z])([^a-zA-Z]*)/g)) {
    const numbers = (rest.match(/-?\d+/g) ?? []).map(Number);
    const see = (ex: number, ey: number) => {
      x0 = Math.min(x0, ex);
      y0 = Math.min(y0, ey);
      x1 = Math.max(x1, ex);
      y1 = Math.max(y1, ey);
    };
    if (letter === 'M') [px, py] = numbers;
    const step = { c: 6, s: 4, l: 2, m: 2 }[letter];
    if (step)
      for (let i = 0; i + step <= numbers.length; i += step) {
        px += numbers[i + step - 2];
        py += numbers[i + step - 1];
        see(px, py);
      }
    see(px, py);
  }
  return x1 >= x * 100 && x0 <= (x + width) * 100 && y1 >= y * 100 && y0 <= (y + height) * 100;
}
