import type { Sex } from '../guide/heredityVocabulary';
import { type Parent, type ReadyKin, strangerOf } from './pedigree';
import type { ReadyQuestion } from './posterior';

/**
 * A part of a pedigree: whoever is no more steps from one of it than so many, from parent to young or back. Parents that
 * are left out stand as strangers, so that all that can be in the whole can be in the part.
 */
export function around(
  question: ReadyQuestion,
  near: readonly (readonly number[])[],
  centre: number,
  steps: number,
): ReadyQuestion {
  const { kin } = question;
  const included = new Set([centre]);
  let edge = [centre];
  for (let step = 0; step < steps; step++) {
    edge = edge.flatMap((at) => near[at].filter((other) => !included.has(other)));
    for (const at of edge) included.add(at);
  }
  const own = [...included].sort((a, b) => a - b);
  const places = new Map(own.map((at, i) => [at, i]));
  const part: ReadyKin[] = [];
  const strangers: ReadyKin[] = [];
  const within = (parents: readonly Parent[] | undefined, sex: Sex) =>
    parents?.map(({ at, weight }): Parent => {
      const known = places.get(at);
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
