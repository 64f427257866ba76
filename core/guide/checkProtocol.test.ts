import { checkProtocol } from './checkProtocol';
import { plainForm } from './plainForms';
import type { Quantity } from './protocolSchema';
import { Character } from './schema';

const [oval, lance] = [plainForm('an oval'), plainForm('a lance')];
const form: Quantity = { id: 'value', kind: 'form', outline: 'around', between: [oval, lance] };

/** What is wrong with a leaf that is taken as a quantity, by its field and code. */
function wrong(quantity: Quantity, more: object = {}): string[] {
  const character = Character.parse({
    id: 'leaf',
    label: 'Leaf',
    kind: 'nominal',
    group: 'shape',
    views: ['leaf'],
    handling: 'look',
    distance: 'near',
    needsLight: false,
    seconds: 5,
    reliability: 0.9,
    states: ['oval', 'lance'].map((id) => ({ id, label: id })),
    protocol: {
      view: 'leaf',
      landmarks: [{ id: 'around', label: 'all around it', kind: 'outline' }],
      quantity,
      states: [
        { state: 'oval', to: 0.6 },
        { state: 'lance', from: 0.5 },
      ],
      ...more,
    },
  });
  const found: string[] = [];
  checkProtocol(character, 'leaf', (field, code) => found.push(`${field} ${code}`));
  return found;
}

describe('a protocol', () => {
  it('of a form between two others can be followed', () => expect(wrong(form)).toEqual([]));

  it('is told by its field where it cannot', () => {
    const flat = { label: 'a line', points: lance.points.map(([x]): [number, number] => [x, 2 * x]) };
    expect(wrong({ ...form, between: [oval, flat] })).toEqual(['leaf.quantity.between[1] shape-without-area']);
    expect(wrong({ ...form, outline: 'elsewhere' })).toEqual(['leaf.quantity unknown-landmark']);
    expect(wrong({ id: 'value', kind: 'count', markers: 'around' })).toEqual(['leaf.quantity.kind quantity-misfit']);
    expect(wrong(form, { states: undefined })).toEqual(['leaf.states states-missing']);
    const ranges = [
      { state: 'oval', from: 0.7, to: 0.6 },
      { state: 'round', from: 0.5 },
    ];
    expect(wrong(form, { states: ranges })).toEqual(['leaf.states empty-range', 'leaf.states unknown-state']);
  });
});
