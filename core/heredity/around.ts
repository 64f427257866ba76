import type { Sex } from '../guide/heredityVocabulary';
import { type Parent, type ReadyKin, strangerOf } from './pedigree';
import type { ReadyQuestion } from './posterior';

/**
 * A part of a pedigree. Parents that are left out stand as strangers, so that all that can be in the whole can be in the
 * part.
 *
 * @param places who is in it.
 */
export function partOf(question: ReadyQuestion, places: Iterable<number>): ReadyQuestion {
  const { kin } = question;
  const own = [...places].sort((a, b) => a - b);
  const placed = new Map(own.map((at, i) => [at, i]));
  const part: ReadyKin[] = [];
  const strangers: ReadyKin[] = [];
  const within = (parents: readonly Parent[] | undefined, sex: Sex) =>
    parents?.map(({ at, weight }): Parent => {
      const known = placed.get(at);
      if (known !== undefined) return { at: known, weight };
      strangers.push(strangerOf(sex));
      return { at: own.length + strangers.length - 1, weight };
    });
  for (const at of own) {
    const { father, mother, ...one } = kin[at];
    const [his, hers] = [within(father, 'male'), within(mother, 'female')];
    part.push({ ...one, ...(his ? { father: his } : {}), ...(hers ? { mother: hers } : {}) });
  }
  return {
    model: question.model,
    kin: [...part, ...strangers],
    placeOf: new Map(part.flatMap(({ id }, i) => (id === undefined ? [] : [[id, i] as const]))),
  };
}

/** Parents and young of each, by place. */
export function nearOf(kin: readonly ReadyKin[]): number[][] {
  const near = kin.map((): number[] => []);
  kin.forEach(({ father = [], mother = [] }, at) => {
    for (const parent of [...father, ...mother]) {
      near[at].push(parent.at);
      near[parent.at].push(at);
    }
  });
  return near;
}

/**
 * How many steps, from parent to young or back, everybody near some of a pedigree is away from them.
 *
 * @param near as {@link nearOf} gives it.
 */
export function stepsFrom(near: readonly (readonly number[])[], from: Iterable<number>, most: number): Map<number, number> {
  const steps = new Map([...from].map((at) => [at, 0]));
  let edge = [...steps.keys()];
  for (let step = 1; step <= most; step++) {
    edge = [...new Set(edge.flatMap((at) => near[at].filter((other) => !steps.has(other))))];
    for (const at of edge) steps.set(at, step);
  }
  return steps;
}
