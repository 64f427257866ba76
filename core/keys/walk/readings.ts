import type { Reading } from '../../observation';
import { type Character, isStates } from '../../guide/working';
import type { Key, Statement } from '../schema';
import type { CoupletAnswer, KeyedSpecimen, StatementSaid } from './schema';
import { ONLY } from '../vocabulary';
/** Readings that follow from ticked statements carry this before the couplet's id. */
export const FROM_KEY = 'key:';

/**
 * The specimens with what ticked statements say of them: a statement that fits
 * allows its states, one that does not allows the others, several of one
 * character allow what all of them do. What was read directly stays as it is.
 */
export function withTicked(
  key: Key,
  answers: readonly CoupletAnswer[],
  specimens: readonly KeyedSpecimen[],
  characters: ReadonlyMap<string, Character>,
): KeyedSpecimen[] {
  return specimens.map((specimen) => {
    const own = specimen.readings.filter(({ id }) => !id?.startsWith(FROM_KEY));
    const read = new Set(own.map(({ character }) => character));
    const derived = tickedReadings(key, answers, specimen.id, specimens[0].id, characters);
    return { ...specimen, readings: [...own, ...derived.filter(({ character }) => !read.has(character))] };
  });
}

function tickedReadings(
  key: Key,
  answers: readonly CoupletAnswer[],
  specimen: string,
  first: string,
  characters: ReadonlyMap<string, Character>,
): Reading[] {
  const byCouplet = new Map(answers.map((answer) => [answer.couplet, answer]));
  const derived = new Map<string, Reading>();
  for (const couplet of key.couplets) {
    const answer = byCouplet.get(couplet.id);
    if (!answer?.statements?.length) continue;
    for (const { statements } of couplet.leads) {
      for (const statement of statements) {
        const said = answer.statements.findLast(({ n }) => n === statement.n);
        const character = statement.link && characters.get(statement.link.character);
        if (!said || !character || (said.specimen ?? first) !== specimen) continue;
        const reading = readingFrom(couplet.id, statement, said, character, derived.get(character.id));
        if (reading) derived.set(character.id, reading);
      }
    }
  }
  return [...derived.values()];
}

function readingFrom(
  couplet: string,
  { link, n }: Statement,
  said: StatementSaid,
  character: Character,
  before: Reading | undefined,
): Reading | undefined {
  const id = `${FROM_KEY}${couplet}:${n}`;
  if (said.answer === 'cannot-see') return before ?? { id, character: character.id, status: 'not-visible' };
  if (said.value !== undefined && !isStates(character)) {
    return { id, character: character.id, value: said.value, ...(said.error === undefined ? {} : { error: said.error }) };
  }
  if (!isStates(character) || !('states' in link!) || said.answer === 'in-part') return before;
  const all = character.states!.map((state) => state.id);
  const allowed = all.filter((state) => link.states.includes(state) === (said.answer === 'fits'));
  const both = allowed.filter((state) => before?.states?.includes(state) ?? true);
  const states = both.length ? both : allowed;
  return states.length && states.length < all.length ? { id, character: character.id, states } : before;
}

/** The one specimen of a walk without a lot. */
export const alone = (readings: readonly Reading[]): KeyedSpecimen[] => [{ id: ONLY, readings: [...readings] }];
