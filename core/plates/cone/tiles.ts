import type { Character } from '../../guide/working';
import { cropPlate, dotPath, INK, linePath, type Plate, squareRound } from '../display';
import { curve, type Point, sample } from '../geometry';
import { finish, newPen, note, type Pen, stroke } from '../pen';
import type { Traits } from '../traits';
import { drawShell } from './draw';
import { coneModel, type ConeModel, STAINS } from './model';
import { widthOf } from './outline';
import { sizeOf } from './surface';

/** A shell with nothing remarkable about it: tiles differ from each other only in the state they show. */
const NEUTRAL: Traits = {
  'shell-length': 48,
  'outline-ratio': 0.56,
  'spire-angle': 100,
  'base-cords': 0,
  'spire-blotches': 'none',
  pattern: 'plain',
};

/** What goes with a character or state, so that the tile looks as such shells do. */
const WITH: Record<string, Traits> = {
  'tent-size': { pattern: 'tents' },
  'shell-wear': { 'ground-colour': 'olive' },
  'pattern-colour': { pattern: 'dots' },
  'spire-angle': {},
  knobbed: { 'spire-angle': 124 },
};

/** Room left round each part. */
const MARGIN: Record<string, number> = { shell: 0.04, spire: 0.02, shoulder: 0.1, body: 0, base: 0.05, aperture: 0.06 };

/**
 * A small drawing of one state: the shell with that state, cropped to the part
 * that shows it. Undefined for characters the plan cannot draw.
 */
export function coneTile(character: Character, state: string | number): Plate | undefined {
  const part = character.plate?.part;
  if (!part) return undefined;
  const model = coneModel({ ...NEUTRAL, ...WITH[character.id], ...WITH[state], [character.id]: state });
  if (part === 'siphon') return siphonTile(model);
  if (part === 'eggs') return eggTile(state === 'present');
  if (!(part in MARGIN)) return undefined;
  const pen = newPen(sizeOf(model), 'tile');
  drawShell(pen, model, character.plate!.view === 'aperture' ? 'aperture' : 'back');
  return cropPlate(finish(pen), squareRound(pen.parts[part], MARGIN[part]));
}

/** The living animal under way: the breathing tube reaches out ahead of the shell. */
function siphonTile(model: ConeModel): Plate {
  const pen = newPen(sizeOf(model), 'figure');
  drawShell(pen, model, 'back');
  const half = widthOf(model) * 0.075;
  const top = model.length * 0.97;
  const reach = model.length * 0.42;
  const at = (s: number): Point => [half * 1.6 * Math.sin(s * 2.6), top + reach * s];
  const edge = (sign: number): Point[] =>
    [0, 0.25, 0.5, 0.75, 1].map((s): Point => [at(s)[0] + sign * half * (1 - 0.25 * s), at(s)[1]]);
  const tube = sample(curve([...edge(-1), ...edge(1).reverse()]), 2);
  note(pen, 'siphon', tube);
  pen.inks.push({ d: linePath(tube), part: 'siphon', fill: '#EFE4CF', stroke: INK, strokeWidth: Math.round(pen.size * 1.4) });
  const ring = (s: number, colour: string, weight: number) => {
    const [x, y] = at(s);
    stroke(
      pen,
      'siphon',
      curve(
        [
          [x - half * 0.9, y],
          [x, y + half * 0.25],
          [x + half * 0.9, y],
        ],
        [],
        false,
      ),
      weight,
      colour,
    );
  };
  if (model.siphon === 'banded') for (const s of [0.28, 0.55, 0.82]) ring(s, INK, 0.05);
  if (model.siphon === 'red-tipped') for (const s of [0.86, 0.93]) ring(s, STAINS.rose, 0.07);
  return finish(pen, 0.06);
}

/** Egg capsules on rock: a cluster of small vases, or bare rock. */
function eggTile(present: boolean): Plate {
  const pen: Pen = newPen(20, 'tile');
  const rock: Point[] = [
    [-10, 5],
    [-5, 3.4],
    [1, 4.2],
    [7, 3],
    [10, 5],
    [10, 9],
    [-10, 9],
  ];
  note(pen, 'eggs', [
    [-10, -9],
    [10, 9],
  ]);
  pen.inks.push({ d: linePath(rock), part: 'eggs', fill: '#C9C4B4', stroke: INK, strokeWidth: 28 });
  if (!present) return finish(pen, 0);
  for (const [x, y, lean] of [
    [-5.5, 4, -1],
    [-2, 3.6, -0.3],
    [1.8, 4, 0.4],
    [5.4, 3.8, 1],
    [-3.8, 2, -0.7],
    [0, 1.4, 0],
    [3.8, 1.8, 0.7],
  ] as const) {
    const vase: Point[] = [
      [x - 0.4, y],
      [x - 1.5 + lean, y - 5],
      [x - 0.9 + lean * 1.4, y - 7.6],
      [x + 0.9 + lean * 1.4, y - 7.6],
      [x + 1.5 + lean, y - 5],
      [x + 0.4, y],
    ];
    pen.inks.push({ d: linePath(vase), part: 'eggs', fill: '#F1E3C0', stroke: INK, strokeWidth: 24 });
    pen.inks.push({ d: dotPath([[x + lean, y - 4.6]]), part: 'eggs', stroke: '#B98B4E', strokeWidth: 90 });
  }
  return finish(pen, 0);
}
