import type { CompiledGuide } from '../guide/working';
import {
  angleOf,
  conceal,
  type Ink,
  lengthOf,
  mapInks,
  type Plan,
  type Plate,
  type Point,
  scaleAt,
  scaleBar,
  type Traits,
  traitsOf,
} from '../plates';
import { pick, type RandomSource, seeded } from '../probability';
import type { Shot, ShotTruth } from './schema';

/** A photograph before it is taken: paths in pixels, and the truth. */
export interface Framed {
  width: number;
  height: number;
  inks: Ink[];
  /** Where the specimen lies, in pixels. */
  box: { x: number; y: number; width: number; height: number };
  /** The bar or the grid that lies in its plane, in pixels. */
  card: { at: Point; mm: Point }[];
  blur: number;
  /** How far down the picture each individual has its feet that stands on something, in pixels. */
  stands: number[];
  truth: ShotTruth;
}

const WIDTH = 1600;
const HEIGHT = 1200;

/** Share of the picture that the specimen fills. */
const FILLS = { hand: 0.78, near: 0.6, far: 0.28 } as const;

/** The camera stands off by so many heights of what it sees: near enough for a tilt to show. */
const STANDS_OFF = 6;

/**
 * What the simulated field camera sees: a novel individual, drawn as the guide's scores say, its
 * plane turned away by a tilt about a level axis, in perspective. The same shot gives the same picture.
 *
 * @param shot what is asked for; a form that is absent is drawn from all that the view shows.
 */
export function frameShot(compiled: CompiledGuide, plan: Plan, shot: Shot, seed: string): Framed {
  const asked = compiled.forms.findIndex(({ id }) => id === shot.form);
  const shown = compiled.forms.map((_, i) => i).filter((i) => plan.shows?.(traitsOf(compiled, i), shot.view) !== false);
  const all = Array.from({ length: shot.specimens ?? 1 }, (_, i) => {
    const random = seeded(i === 0 ? seed : `${seed} ${i}`);
    const form =
      asked >= 0
        ? asked
        : shown[
            pick(
              shown.map(() => 1),
              random,
            )
          ];
    return individual(compiled, plan, shot, form, random, seed);
  });
  const { box, offsets } = laidOut(all.map(({ plate }) => plate.box));
  const fills = FILLS[shot.distance ?? 'near'];
  const scale = fills * Math.min(WIDTH / box.width, HEIGHT / box.height);
  const tilt = shot.tilt ?? 0;
  const see = camera([box.x + box.width / 2, box.y + box.height / 2], scale, tilt, box.height * STANDS_OFF);
  const corners: Point[] = [
    [box.x, box.y],
    [box.x + box.width, box.y],
    [box.x + box.width, box.y + box.height],
    [box.x, box.y + box.height],
  ];
  const seen = corners.map(see);
  const [left, right] = [Math.min(...seen.map(([x]) => x)), Math.max(...seen.map(([x]) => x))];
  const [top, foot] = [Math.min(...seen.map(([, y]) => y)), Math.max(...seen.map(([, y]) => y))];
  const card = cardOf(shot.scaleBar ?? 'none', box).map((mm) => ({ at: see(mm), mm }));
  /** An individual's own millimetres to pixels. */
  const seeing =
    ([dx, dy]: Point) =>
    ([x, y]: Point) =>
      see([x + dx, y + dy]);
  const told = all.map(({ form, traits }, i) => ({
    form: compiled.forms[form].id,
    traits,
    measures: measuresIn(compiled, plan, traits, shot.view, seeing(offsets[i])),
  }));
  const [first, ...others] = told;
  const stands = all.flatMap(({ plate: { parts } }, i) => {
    const legs = parts.ground && parts.legs;
    return legs ? [seeing(offsets[i])([legs.x + legs.width / 2, legs.y + legs.height])[1]] : [];
  });
  return {
    width: WIDTH,
    height: HEIGHT,
    inks: all.flatMap(({ plate }, i) => mapInks(plate, seeing(offsets[i]))),
    box: { x: left, y: top, width: right - left, height: foot - top },
    card,
    stands,
    blur: (shot.blur ?? 0.8) + (all[0].plate.blur ?? 0) * scale,
    truth: {
      guide: compiled.guide.id,
      view: shot.view,
      ...first,
      mmPerPixel: 1 / scaleAt(see, [box.x + box.width / 2, box.y + box.height / 2]),
      tilt,
      scale: card,
      ...(others.length ? { others } : {}),
    },
  };
}

/** One individual of a form, as the camera is to see it. */
function individual(compiled: CompiledGuide, plan: Plan, shot: Shot, form: number, random: RandomSource, seed: string) {
  const traits = traitsOf(compiled, form, random);
  const drawn = plan.draw(traits, shot.view, 'full');
  // What a plate stands its animals on is no part of the scene.
  const bare: Plate = { ...drawn, inks: drawn.inks.filter(({ part }) => part !== 'ground') };
  const veils = (shot.concealment ?? []).map((veil) => ({ ...veil, seed }));
  return { form, traits, plate: veils.length ? conceal(bare, veils) : bare };
}

/** Room between two individuals, as a share of one. */
const APART = 1.12;

/** Several individuals in rows, none on another: the box about all, and by how much each is moved. One alone stays where it is. */
function laidOut(boxes: readonly Plate['box'][]): { box: Plate['box']; offsets: Point[] } {
  if (boxes.length === 1) return { box: boxes[0], offsets: [[0, 0]] };
  const columns = Math.ceil(Math.sqrt(boxes.length));
  const rows = Math.ceil(boxes.length / columns);
  const wide = APART * Math.max(...boxes.map(({ width }) => width));
  const high = APART * Math.max(...boxes.map(({ height }) => height));
  const offsets = boxes.map(({ x, y, width, height }, i): Point => {
    const [column, row] = [i % columns, Math.floor(i / columns)];
    return [(column + 0.5) * wide - (x + width / 2), (row + 0.5) * high - (y + height / 2)];
  });
  return { box: { x: 0, y: 0, width: columns * wide, height: rows * high }, offsets };
}

/** From millimetres in the plane to pixels: tilted about a level axis through its middle, seen from a distance in mm. */
function camera(middle: Point, scale: number, tilt: number, far: number) {
  const a = (tilt * Math.PI) / 180;
  return ([x, y]: Point): Point => {
    const [dx, dy] = [x - middle[0], y - middle[1]];
    const shrink = far / (far + dy * Math.sin(a));
    return [WIDTH / 2 + scale * dx * shrink, HEIGHT / 2 + scale * dy * Math.cos(a) * shrink];
  };
}

/** Strokes of a graticule: a stroke for each fifth of a round length. */
export const STROKES = 11;

/**
 * Where a bar's ends, or a grid's crossings, lie below or beside the specimen in its own plane, in mm.
 *
 * @returns two points for a bar, nine for a grid, the eleven strokes of a graticule across its middle, none for none.
 */
function cardOf(kind: NonNullable<Shot['scaleBar']>, box: Plate['box']): Point[] {
  if (kind === 'none') return [];
  const { mm } = scaleBar({ box: { width: Math.max(box.width, box.height) } });
  const y = box.y + box.height * 1.06;
  const x = box.x + box.width * 0.04;
  if (kind === 'bar')
    return [
      [x, y],
      [x + mm, y],
    ];
  if (kind === 'graticule')
    return Array.from({ length: STROKES }, (_, i): Point => [
      box.x + box.width / 2 + ((i - (STROKES - 1) / 2) * mm) / 5,
      box.y + box.height / 2,
    ]);
  const side = mm / 2;
  return [0, 1, 2].flatMap((i) => [0, 1, 2].map((j): Point => [x + i * side, y - 2 * side + j * side]));
}

/** What each measured character truly is on this individual, and where its lines are seen. */
function measuresIn(
  { guide }: CompiledGuide,
  plan: Plan,
  traits: Traits,
  view: string,
  see: (mm: Point) => Point,
): ShotTruth['measures'] {
  return guide.characters.flatMap((character) => {
    if (character.plate?.view !== view || character.states || character.kind === 'count') return [];
    const drawn = plan.measures(traits, character.id);
    if (drawn.length === 0) return [];
    const [first, second] = drawn;
    const value =
      character.kind === 'angle'
        ? angleOf(first)
        : character.kind === 'ratio'
          ? lengthOf(first) / lengthOf(second)
          : lengthOf(first);
    const unit = character.kind === 'measurement' ? 'mm' : (character.unit ?? '');
    return Number.isFinite(value)
      ? [{ character: character.id, value, unit, lines: drawn.map(({ line }) => line.map(see)) }]
      : [];
  });
}
