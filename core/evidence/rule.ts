import type { Guide } from '../guide/working';
import type { Reading } from '../observation';
import { counted, inHundred } from './say';
import type { Verdict } from './schema';

/** The rule by which a guide names, as it is: what a name asks for, and what it does not. */
export function sayRule({ settings }: Pick<Guide, 'settings'>): string {
  const { posterior, groups, survives, school } = settings.call;
  const characters = `${counted(groups)} independent ${groups === 1 ? 'character' : 'characters'}`;
  const weigh = `at ${inHundred(posterior)}, on ${characters}, if it holds without any one reading (at ${inHundred(survives)} or more)`;
  if (school === 'key')
    return `This guide names by its key: every couplet decided, and the described form checked and fitting. Weighing would name ${weigh}.`;
  if (school === 'diagnostic')
    return `This guide names by a character that nothing else has, seen twice, with nothing strong against it. Weighing would name ${weigh}.`;
  return `This guide names ${weigh}. What a wrong reading would do is told below.`;
}

/** What the worst plausible single misreading would do to a name, with its chance. */
export function sayMisreading(
  guide: Pick<Guide, 'characters'>,
  readings: readonly Reading[],
  { oneWrong, p, label }: Pick<Verdict, 'oneWrong' | 'p' | 'label'>,
): string | undefined {
  const reading = oneWrong && readings[oneWrong.reading];
  const character = reading && guide.characters.find(({ id }) => id === reading.character);
  if (!oneWrong || !character) return undefined;
  const instead = character.states?.find(({ id }) => id === oneWrong.instead)?.label ?? oneWrong.instead;
  const chance = inHundred(oneWrong.plausibility);
  const then = inHundred(oneWrong.p);
  const misread = `the ${character.label.toLowerCase()} was really ${instead}`;
  return then === inHundred(p)
    ? `The misreading to fear is that ${misread} (${chance}); even then ${label} stands at ${then}.`
    : `If ${misread} (${chance}), ${label} would stand at ${then}.`;
}
