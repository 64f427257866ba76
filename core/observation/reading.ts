import { type Problem } from '../problem';
import {
  type Character,
  type CharacterByEye,
  formsOf,
  GREATEST,
  type Guide,
  isStates,
  isValue,
  LEAST,
  stateIds,
} from '../guide/working';
import type { Reading } from './schema';

/**
 * Value and error of a ratio given as two lengths; the errors are independent
 * (delta method: (σ/r)² = (σa/a)² + (σb/b)²).
 */
export function ratioOf(parts: { numerator: number; denominator: number; error?: number }): { value: number; error?: number } {
  const value = parts.numerator / parts.denominator;
  if (parts.error === undefined) return { value };
  return { value, error: value * Math.hypot(parts.error / parts.numerator, parts.error / parts.denominator) };
}

/** Problems of readings against a guide, each naming its field. */
export function checkReadings(guide: Guide, readings: readonly Reading[]): Problem[] {
  const characters = new Map(guide.characters.map((c) => [c.id, c]));
  return readings.flatMap((reading, i) => {
    const character = characters.get(reading.character);
    const field = `readings[${i}]`;
    if (!character) {
      return [
        {
          code: 'unknown-character',
          message: `There is no character “${reading.character}” in this guide.`,
          field: `${field}.character`,
        },
      ];
    }
    return (reading.status ?? 'seen') === 'seen' ? checkSeen(guide, character, reading, field) : [];
  });
}

function checkSeen(guide: Guide, character: Character, reading: Reading, field: string): Problem[] {
  const problems: Problem[] = [];
  const name = `“${character.label}”`;
  const given = [reading.value, reading.error, reading.parts?.numerator, reading.parts?.denominator, reading.parts?.error];
  const report = (part: string, code: string, message: string) => problems.push({ code, message, field: `${field}.${part}` });

  if (reading.comparison) return checkComparison(guide, character, reading, field);
  if (isStates(character)) {
    const states = stateIds(character)!;
    if (!reading.states?.length) report('states', 'states-missing', `Say which state of ${name} was seen.`);
    for (const state of reading.states ?? []) {
      if (!states.includes(state)) {
        report('states', 'unknown-state', `${name} has no state “${state}”; its states are ${states.join(', ')}.`);
      }
    }
    if (reading.value !== undefined) report('value', 'value-unsuited', `${name} is told by states, not by a number.`);
    return problems;
  }

  if (reading.states) report('states', 'states-unsuited', `${name} is told by a number, not by states.`);
  if (reading.parts) {
    if (character.kind !== 'ratio') report('parts', 'parts-unsuited', `${name} is not a ratio of two lengths.`);
    else if (!(reading.parts.numerator > 0 && reading.parts.denominator > 0)) {
      report('parts', 'length-not-positive', `Both lengths of ${name} must be above 0.`);
    }
  } else if (reading.value === undefined) {
    report('value', 'value-missing', `Give the value of ${name}${character.unit ? ` in ${character.unit}` : ''}.`);
  } else if (!Number.isFinite(reading.value)) {
    report('value', 'value-not-number', `The value of ${name} is not a number.`);
  } else if (character.kind === 'count') {
    const { from, to } = character.counts!;
    if (!Number.isInteger(reading.value) || reading.value < from || reading.value > to) {
      report('value', 'count-out-of-range', `${name} is a whole number from ${from} to ${to}.`);
    }
  } else if (reading.value < LEAST && (character.kind === 'ratio' || isLogarithmic(guide, character))) {
    report('value', 'value-not-positive', `${name} must be above 0.`);
  }
  if (given.some((number) => number !== undefined && Math.abs(number) > GREATEST)) {
    report('value', 'value-too-large', `${name} is given with a number beyond ${GREATEST}; check it and its unit.`);
  }
  if (reading.error !== undefined && !(Number.isFinite(reading.error) && reading.error >= 0)) {
    report('error', 'error-negative', `The error of ${name} is 0 or more.`);
  }
  return problems;
}

/** Is it compared on a log scale, on its own or with the block it was measured in? */
const isLogarithmic = (guide: Guide, { id, log }: Character): boolean =>
  Boolean(log) || Boolean(guide.blocks?.some((block) => block.log && block.characters.includes(id)));

function checkComparison(guide: Guide, character: Character, reading: Reading, field: string): Problem[] {
  const { than } = reading.comparison!;
  const problem = (part: string, code: string, message: string) => [{ code, message, field: `${field}.${part}` }];
  if (character.kind === 'nominal') {
    return problem(
      'comparison',
      'comparison-unsuited',
      `The states of “${character.label}” have no order, so nothing is more or less of it.`,
    );
  }
  if (reading.states || reading.value !== undefined || reading.parts) {
    return problem(
      'comparison',
      'comparison-and-value',
      `Give “${character.label}” either as a value or as a comparison, not both.`,
    );
  }
  if ('taxon' in than && !guide.taxa.some(({ id }) => id === than.taxon)) {
    return problem('comparison.than.taxon', 'unknown-taxon', `There is no taxon “${than.taxon}” in this guide.`);
  }
  if ('form' in than && !formsOf(guide).some(({ id }) => id === than.form)) {
    return problem('comparison.than.form', 'unknown-form', `There is no form “${than.form}” in this guide.`);
  }
  if ('character' in than) {
    const other = guide.characters.find(({ id }) => id === than.character);
    if (!other)
      return problem(
        'comparison.than.character',
        'unknown-character',
        `There is no character “${than.character}” in this guide.`,
      );
    if (isValue(other) !== isValue(character) || other.unit !== character.unit) {
      return problem(
        'comparison.than.character',
        'comparison-unsuited',
        `“${character.label}” and “${other.label}” cannot be compared.`,
      );
    }
  }
  return [];
}

/**
 * The value and error to weigh, whichever way it was given; undefined for states. What was read by eye, with no error
 * of its own, by somebody whose eye is known, is put right by it.
 */
export function valueOf(character: CharacterByEye, reading: Reading): { value: number; error: number } | undefined {
  if (isStates(character) || reading.comparison) return undefined;
  const seen = byEye(character, reading);
  if (seen) return seen;
  const given = reading.parts ? ratioOf(reading.parts) : { value: reading.value!, error: reading.error };
  return { value: given.value, error: given.error ?? (isValue(character) ? (character.error ?? 0) : 0) };
}

/** The value that was read by eye, as it is by the eye of who read it; undefined for one that was measured, or whose reader is not known. */
export function byEye(character: CharacterByEye, { error, value: read }: Reading): { value: number; error: number } | undefined {
  const { eye } = character;
  if (!eye || !isValue(character) || error !== undefined || read === undefined) return undefined;
  const value = read / eye.ratio;
  return { value, error: Math.abs(value) * eye.spread };
}
