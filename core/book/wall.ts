import { type Character, type CompiledGuide, type Guide, frequencyAt, shownAt } from '../guide/working';
import type { Plate, Point } from '../plates';

/** States wanted of some characters, by the character's id; any of them will do. */
export type Wanted = Readonly<Record<string, readonly string[]>>;

/** From this frequency on a form is said to show a state. */
const SHOWS = 0.05;

/**
 * Does a form show, often enough, one of the wanted states of every character?
 * What is not scored is not held against it; what does not apply to it is.
 */
export function fitsWanted(compiled: CompiledGuide, form: number, wanted: Wanted): boolean {
  return Object.entries(wanted).every(([id, states]) => {
    const table = compiled.tables.get(id);
    if (!table || table.type !== 'states' || states.length === 0) return true;
    if (table.applies && table.applies[form] < 0.5) return false;
    if (!table.scored[form]) return true;
    return table.states.some((state, s) => frequencyAt(table, s, form) >= SHOWS && states.includes(state));
  });
}

/** The forms that are left, as places in the compiled guide; crosses are not on the wall. */
export const narrowed = (compiled: CompiledGuide, wanted: Wanted): number[] =>
  compiled.forms.flatMap(({ cross }, f) => (!cross && fitsWanted(compiled, f, wanted) ? [f] : []));

/** How many of the forms still on the wall would be left with a state. */
export function countsOf(compiled: CompiledGuide, character: string, wanted: Wanted): Record<string, number> {
  const rest = Object.fromEntries(Object.entries(wanted).filter(([id]) => id !== character));
  const table = compiled.tables.get(character);
  if (!table || table.type !== 'states') return {};
  return Object.fromEntries(table.states.map((state) => [state, narrowed(compiled, { ...rest, [character]: [state] }).length]));
}

/** Characters with states that a view of the plate shows, by the part that shows them. */
export function partsOf(guide: Pick<Guide, 'characters' | 'plan'>, view: string): Map<string, Character[]> {
  const parts = new Map<string, Character[]>();
  for (const character of guide.characters) {
    const shown = shownAt(guide, character, view);
    if (shown && character.states) parts.set(shown.part, [...(parts.get(shown.part) ?? []), character]);
  }
  return parts;
}

/**
 * The part touched at a point of a plate: the smallest that holds it; where none
 * does, the one whose middle is nearest, within a quarter of the plate.
 */
export function partAt(plate: Plate, parts: Iterable<string>, [x, y]: Point): string | undefined {
  const boxes = [...parts].flatMap((part) => (plate.parts[part] ? [{ part, box: plate.parts[part] }] : []));
  const within = boxes.filter(({ box }) => x >= box.x && x <= box.x + box.width && y >= box.y && y <= box.y + box.height);
  if (within.length) return within.reduce((a, b) => (b.box.width * b.box.height < a.box.width * a.box.height ? b : a)).part;
  const far = ({ box }: (typeof boxes)[number]) => Math.hypot(box.x + box.width / 2 - x, box.y + box.height / 2 - y);
  const nearest = boxes.sort((a, b) => far(a) - far(b))[0];
  return nearest && far(nearest) < Math.max(plate.box.width, plate.box.height) / 4 ? nearest.part : undefined;
}
