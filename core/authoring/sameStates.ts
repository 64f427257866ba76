import type { Contrast, Side } from './contrasts';
import { stateKey } from './join';
import type { KeyGuideChoices } from './schema';

type Same = KeyGuideChoices['same'][number];

const says = ({ values }: Side, state: string): boolean => values.some((value) => stateKey(value) === state);

/** Does a couplet hold two states against each other? Then they are two. */
const holdsApart = ({ sides }: Contrast, a: string, b: string): boolean =>
  sides.some((one, i) => says(one, a) && sides.some((other, k) => k !== i && says(other, b)));

/**
 * Contrasts in which what a person declared the same is said in one word, by the character that has them. What a couplet
 * of the character holds apart stays apart.
 *
 * @returns the contrasts, and in words what was not followed.
 */
export function withSameStates(
  groups: readonly Contrast[][],
  same: readonly Same[],
): { groups: Contrast[][]; refused: string[] } {
  const refused: string[] = [];
  const asOne = (contrasts: Contrast[], { from, to }: Same): Contrast[] => {
    const [a, b] = [stateKey(from), stateKey(to)];
    if (a === b || contrasts[0].measure) return contrasts;
    const apart = contrasts.find((one) => holdsApart(one, a, b));
    if (apart) {
      refused.push(`“${from}” and “${to}” stay two: couplet ${apart.couplet.number} holds them against each other.`);
      return contrasts;
    }
    const said = (value: string) => (stateKey(value) === a ? to : value);
    return contrasts.map((one) => ({
      ...one,
      sides: one.sides.map((side) => ({
        ...side,
        values: [...new Set(side.values.map(said))],
        ...(side.beside ? { beside: side.beside.map((rare) => ({ ...rare, text: said(rare.text) })) } : {}),
      })),
    }));
  };
  return {
    groups: groups.map((contrasts) =>
      same.filter(({ of }) => contrasts.some(({ id }) => id === of)).reduce(asOne, [...contrasts]),
    ),
    refused,
  };
}
