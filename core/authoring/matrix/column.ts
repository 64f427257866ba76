import { parseRange } from '../../guide/working';
import { unitFactor, unitOf, UNITS_WRITTEN } from '../../keys/units';
import { EITHER, HOW_OFTEN, LIST, ofName, outside, partsListed, partsOf } from '../cells';
import { MEAN, ONE_NUMBER, writtenNumbers } from '../writtenNumbers';
import { INAPPLICABLE, labelAndUnit, type MatrixCharacter, UNKNOWN } from './matrix';

const isNumber = (text: string) => ONE_NUMBER.test(text) || MEAN.test(text) || parseRange(text).ok;
/** A number, though it is not sure which: it is asked back by cell. */
const UNCLEAR_NUMBER = /^\d[\d.,]*$/;
const COUNTED = /^\d+(?:\s*[–-]\s*\d+)?(?:\s*;.*)?$/;
const UNIT_BEHIND = new RegExp(`[\\d)]\\s*(${UNITS_WRITTEN}|°)$`, 'i');
/** A character has no more states. */
const MOST_STATES = 64;

/**
 * The unit that stands behind numbers: the first, where others can be turned into it. None where some have no unit and
 * the others not all the same, or some are of something else.
 */
function unitIn(cells: readonly string[]): string | undefined {
  const found = cells.flatMap((cell) => UNIT_BEHIND.exec(cell)?.[1] ?? []).map(unitOf);
  const [first] = found;
  const alike = found.every((unit) => (found.length < cells.length ? unit === first : unitFactor(unit, first) !== undefined));
  return alike ? first : undefined;
}

/** What a column of a table is, by its name and what stands in it. */
export function columnOf(written: string, cells: readonly string[]): MatrixCharacter {
  const named = labelAndUnit(written);
  // What is said many times is looked at once.
  const said = [...new Set(cells)].filter((cell) => cell !== UNKNOWN && cell !== INAPPLICABLE && !/^does not apply$/i.test(cell));
  const { label } = named;
  const unit = named.unit ?? unitIn(said);
  if (said.length && !unit && said.every((cell) => COUNTED.test(cell))) return { label, counted: true };
  const isMeasured = (cell: string) => {
    const numbers = writtenNumbers({ label, unit }, cell);
    return numbers.ok ? isNumber(numbers.value) : UNCLEAR_NUMBER.test(cell);
  };
  if (said.length && said.every(isMeasured)) return { label, ...(unit ? { unit } : {}) };
  return { ...named, states: statesIn(said).slice(0, MOST_STATES) };
}

/** A name that stands in quotes is one as it stands. */
const bare = (part: string) => ofName(part.replace(HOW_OFTEN, '').trim());

/** What one cell says by `;` or in a list that ends with "or"; undefined where commas and strokes may part it or not. */
function partsSaid(cell: string): string[] | undefined {
  const either = EITHER.exec(cell)?.[1];
  if (either) return partsListed(either);
  const open = outside(cell);
  if (open.includes(';')) return partsOf(cell);
  if (/\sor\s/i.test(open)) return partsOf(cell, LIST);
  return /[,/]/.test(open) ? undefined : [cell];
}

/**
 * The states that stand in cells, in the order in which they are met, parted as the grid parts them. What only commas or
 * strokes part is several where one of it stands by itself elsewhere, or is said to be so often: else one state in so many words.
 */
function statesIn(cells: readonly string[]): string[] {
  const alone = new Set(cells.flatMap((cell) => partsSaid(cell) ?? []).map((part) => bare(part).toLowerCase()));
  const parts = cells.flatMap((cell) => {
    const said = partsSaid(cell);
    if (said) return said;
    const pieces = partsOf(cell, /[,/]/);
    return pieces.some((piece) => HOW_OFTEN.test(piece) || alone.has(piece.toLowerCase())) ? pieces : [cell];
  });
  const states = new Map<string, string>();
  for (const state of parts.map(bare)) if (state && !states.has(state.toLowerCase())) states.set(state.toLowerCase(), state);
  return [...states.values()];
}
