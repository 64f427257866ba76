import type { Character, Guide } from '@plesion/core/guide';
import { type Detail, type Measure, type Plate, type Point, type Traits, traitsOf } from '@plesion/core/plates';
import { compiledOf } from '../records/compiled';
import { drawnTile, planOf } from '../records/plans';

/** Drawings kept at once; the oldest go first. */
const KEPT = 400;
const drawn = new Map<string, Plate | undefined>();

const numbers = new WeakMap<Guide, number>();
let count = 0;

/** A number for this very guide: another version of it is drawn anew. */
function numberOf(guide: Guide): number {
  if (!numbers.has(guide)) numbers.set(guide, ++count);
  return numbers.get(guide)!;
}

function once(key: string, draw: () => Plate | undefined): Plate | undefined {
  if (!drawn.has(key)) {
    drawn.set(key, draw());
    if (drawn.size > KEPT) drawn.delete(drawn.keys().next().value!);
  }
  return drawn.get(key);
}

/** The usual individual of a form, with what was seen of the one at hand on top. */
export function formTraits(guide: Guide, form: string, seen: Traits = {}): Traits {
  const compiled = compiledOf(guide);
  const index = compiled.forms.findIndex((f) => f.id === form);
  return { ...traitsOf(compiled, index), ...seen };
}

export function formPlate(guide: Guide, form: string, view: string, detail: Detail, seen?: Traits): Plate | undefined {
  const plan = planOf(guide);
  if (!plan || !compiledOf(guide).forms.some((known) => known.id === form)) return undefined;
  return once(`${numberOf(guide)} ${form} ${view} ${detail} ${seen ? JSON.stringify(seen) : ''}`, () => {
    const traits = formTraits(guide, form, seen);
    return plan.shows?.(traits, view) === false ? undefined : plan.draw(traits, view, detail);
  });
}

/** Has the usual individual of a form what a view shows? */
export function hasView(guide: Guide, form: string, view: string): boolean {
  const shows = planOf(guide)?.shows;
  return !shows || shows(formTraits(guide, form), view);
}

/** The views that the guide's plan draws, with their labels; none where nothing is drawn. */
export function drawnViews(guide: Guide): { id: string; label: string }[] {
  return (planOf(guide)?.views ?? []).map((id) => ({ id, label: guide.views.find((view) => view.id === id)?.label ?? id }));
}

/** The view in which an animal or plant is shown where only one is. */
export const mainView = (guide: Guide): string => planOf(guide)?.views[0] ?? '';

/** The tile of a state: as the guide says, or as its plan draws it. */
export function tilePlate(guide: Guide, character: Character, state: string | number): Plate | undefined {
  const own = character.states?.find(({ id }) => id === state)?.tile;
  if (own?.draw === 'photo') return undefined;
  if (own) return once(`tile ${JSON.stringify(own)}`, () => drawnTile(own));
  const plan = planOf(guide);
  return plan && once(`${guide.plan} tile ${character.id} ${state}`, () => plan.tile(character, state));
}

/** Where a character is measured, on the plate that shows it. */
export function measuresOn(guide: Guide, form: string, character: Character): { plate: Plate; measures: Measure[] } | undefined {
  const plan = planOf(guide);
  const view = character.plate?.view;
  if (!plan || !view || !plan.views.includes(view)) return undefined;
  const plate = formPlate(guide, form, view, 'thumb');
  const measures = plan.measures(formTraits(guide, form), character.id);
  return plate && measures.length > 0 ? { plate, measures } : undefined;
}

/** A plate as large as fits into a room, and where its points and lines lie then. */
export interface OverPlate {
  width: number;
  height: number;
  to: (point: Point) => Point;
  /** A line through points as an SVG path. */
  path: (line: readonly Point[]) => string;
}

export function overPlate({ box }: Plate, room: number, tallest: number): OverPlate {
  const scale = Math.min(room / box.width, tallest / box.height);
  const to = ([x, y]: Point): Point => [(x - box.x) * scale, (y - box.y) * scale];
  return {
    width: box.width * scale,
    height: box.height * scale,
    to,
    path: (line) =>
      line
        .map(to)
        .map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`)
        .join(''),
  };
}
