import { type Character, plainForm, type Protocol } from '@plesion/core/guide';

/** The two ends of a length, in words. */
type Ends = readonly [string, string];
type Landmark = Protocol['landmarks'][number];

const points = (ids: readonly string[], words: readonly string[]): Landmark[] =>
  ids.map((id, i) => ({ id, label: words[i], kind: 'point' }));

/** A length from one place to another. */
export const lengthOf = (view: string, ends: Ends): Protocol => ({
  view,
  landmarks: points(['from', 'to'], ends),
  quantity: { id: 'value', kind: 'length', line: { points: ['from', 'to'] } },
  repeats: 2,
});

/** One length in another; a place that is an end of both is set once. */
export function ratioOf(view: string, upper: Ends, lower: Ends): Protocol {
  const words = [...new Set([...upper, ...lower])];
  const ids = words.map((_, i) => `place-${i + 1}`);
  const line = (ends: Ends) => ({ points: ends.map((end) => ids[words.indexOf(end)]) });
  return {
    view,
    landmarks: points(ids, words),
    quantity: { id: 'value', kind: 'ratio', numerator: line(upper), denominator: line(lower) },
  };
}

/** A curve that is followed, in a straight length. */
export const curveOver = (view: string, curve: string, lower: Ends): Protocol => ({
  view,
  landmarks: [{ id: 'curve', label: curve, kind: 'path' }, ...points(['lower-from', 'lower-to'], lower)],
  quantity: {
    id: 'value',
    kind: 'ratio',
    numerator: { points: ['curve'] },
    denominator: { points: ['lower-from', 'lower-to'] },
  },
});

/** The angle at the second of three places. */
export const angleOf = (view: string, words: readonly [string, string, string]): Protocol => ({
  view,
  landmarks: points(['one-side', 'tip', 'other-side'], words),
  quantity: { id: 'value', kind: 'angle', points: ['one-side', 'tip', 'other-side'] },
});

/** How many there are: a marker on each; the machine may look for `spots`. */
export const countOf = (view: string, each: string, spots = false): Protocol => ({
  view,
  landmarks: [{ id: 'each', label: each, kind: 'markers', ...(spots ? { spots } : {}) }],
  quantity: { id: 'value', kind: 'count', markers: 'each' },
});

/** How many there are on each side of a middle that both sides should be alike about. */
export const countOfSides = (view: string, each: string, middle: Ends, spots = false): Protocol => ({
  view,
  landmarks: [
    ...points(['axis-from', 'axis-to'], middle),
    { id: 'each', label: each, kind: 'markers', ...(spots ? { spots } : {}) },
  ],
  quantity: { id: 'value', kind: 'count', markers: 'each', axis: ['axis-from', 'axis-to'], side: 'each' },
});

/** A form that is told by how an edge runs, or by the form of a dip. */
export const edgeOf = (
  view: string,
  kind: 'raggedness' | 'dip',
  words: string,
  states: NonNullable<Protocol['states']>,
): Protocol => ({
  view,
  landmarks: [{ id: 'edge', label: words, kind: 'path' }],
  quantity: { id: 'value', kind, path: 'edge' },
  states,
});

/** A form that is told by where an outline lies between two others, of plain names. */
export const formOf = (
  view: string,
  words: string,
  others: readonly [string, string],
  states: NonNullable<Protocol['states']>,
): Protocol => ({
  view,
  landmarks: [{ id: 'around', label: words, kind: 'outline' }],
  quantity: { id: 'value', kind: 'form', outline: 'around', between: [plainForm(others[0]), plainForm(others[1])] },
  states,
});

/** Characters with the protocols that they are taken by. */
export const withProtocols = (characters: readonly Character[], protocols: Record<string, Protocol>): Character[] =>
  characters.map((character) => (protocols[character.id] ? { ...character, protocol: protocols[character.id] } : character));
