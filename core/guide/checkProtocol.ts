import { landmarksIn } from './landmarks';
import type { Quantity, Shape } from './protocolSchema';
import type { Character } from './schema';

/** Quantities that have no unit: what a form is told by. */
const FORMS = ['ratio', 'reach', 'elongation', 'roundness', 'form', 'dip', 'raggedness'] as const;

/** What each kind of character can be taken by. */
const TAKEN_BY: Partial<Record<Character['kind'], readonly Quantity['kind'][]>> = {
  measurement: ['length', 'area', 'reach'],
  ratio: FORMS,
  nominal: [...FORMS, 'angle'],
  ordered: [...FORMS, 'angle'],
  angle: ['angle'],
  count: ['count'],
};

function enclosesSomething({ points }: Shape): boolean {
  let twice = 0;
  points.forEach(([x, y], i) => {
    const [u, v] = points[(i + 1) % points.length];
    twice += x * v - u * y;
  });
  return twice !== 0;
}

/** What a kind of character can be taken by, on a photo. */
export const quantitiesFor = (kind: Character['kind']): readonly Quantity['kind'][] => TAKEN_BY[kind] ?? [];

/** Is a character's protocol one that can be followed? */
export function checkProtocol(
  { label, kind, states, protocol }: Character,
  field: string,
  report: (field: string, code: string, message: string) => void,
): void {
  if (!protocol) return;
  const { landmarks, quantity } = protocol;
  const byId = new Map(landmarks.map((landmark) => [landmark.id, landmark]));
  if (byId.size < landmarks.length)
    report(`${field}.landmarks`, 'landmark-twice', `“${label}” names a landmark twice; give each its own id.`);
  for (const id of landmarksIn(quantity))
    if (!byId.has(id))
      report(`${field}.quantity`, 'unknown-landmark', `“${label}” is worked out of “${id}”, which is none of its landmarks.`);
  if (!quantitiesFor(kind).includes(quantity.kind))
    report(`${field}.quantity.kind`, 'quantity-misfit', `“${label}” is a ${kind} and cannot be taken as ${quantity.kind}.`);
  if (quantity.kind === 'form')
    quantity.between.forEach((shape, i) => {
      if (!enclosesSomething(shape))
        report(`${field}.quantity.between[${i}]`, 'shape-without-area', `“${shape.label}” encloses nothing: go round it once.`);
    });
  if (states && !protocol.states)
    report(`${field}.states`, 'states-missing', `“${label}” is told by states: say what the quantity is in each.`);
  for (const { state, from = -Infinity, to = Infinity } of protocol.states ?? []) {
    if (!states?.some(({ id }) => id === state))
      report(`${field}.states`, 'unknown-state', `“${state}” is no state of “${label}”.`);
    if (from >= to) report(`${field}.states`, 'empty-range', `“${state}” of “${label}” has a range with nothing in it.`);
  }
}
