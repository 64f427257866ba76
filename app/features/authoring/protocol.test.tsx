import type { DraftCharacter } from '@plesion/core/authoring';
import type { Quantity } from '@plesion/core/guide';
import { fireEvent, screen, within } from '@testing-library/react-native';
import { act, useState } from 'react';
import { choose, press, showScreen, type } from '../../test/showScreen';
import { ProtocolForm } from './ProtocolForm';

const VIEWS = [
  { id: 'whole', label: 'the specimen' },
  { id: 'head', label: 'the head' },
];
const base: Omit<DraftCharacter, 'kind'> = {
  ...{ id: 'bill', label: 'Bill', group: 'shape', views: ['head'], handling: 'look', distance: 'near' },
  ...{ needsLight: false, seconds: 5 },
};
const ratio: DraftCharacter = { ...base, kind: 'ratio', error: 0.02 };
const told: DraftCharacter = {
  ...{ ...base, kind: 'ordered' as const },
  states: ['short', 'long'].map((id) => ({ id, label: id })),
};

let now: DraftCharacter;
function Held({ first }: { first: DraftCharacter }) {
  const [character, setCharacter] = useState(first);
  now = character;
  return <ProtocolForm character={character} views={VIEWS} onChange={setCharacter} />;
}
const open = (character: DraftCharacter) => showScreen(<Held first={character} />);
const keep = async (label: string, text: string) => {
  await type(label, text);
  await act(async () => fireEvent(screen.getByLabelText(label), 'blur'));
};
const places = () => now.protocol!.landmarks.map(({ label }) => label);

it('a ratio is taken of places in words, one more is put in, used, and one that is used stays', async () => {
  await open(ratio);
  expect(now.protocol).toBeUndefined();
  await press('Measure it on photographs: Bill');
  screen.getByText('How it is measured on a photograph');
  expect([now.protocol!.view, now.protocol!.quantity.kind]).toEqual(['head', 'ratio']);
  await keep('Place 1', 'tip of the bill');
  await keep('Place 2', 'feathers at its base');
  await keep('Another place', 'middle of the eye');
  expect(places().slice(0, 2)).toEqual(['tip of the bill', 'feathers at its base']);
  expect(places().at(-1)).toBe('middle of the eye');
  // None of those that something is worked out of can be taken out.
  expect(screen.queryByLabelText('Remove tip of the bill')).toBeNull();
  screen.getByLabelText('Remove middle of the eye');
  await choose('Held against the length', 'middle of the eye');
  expect(now.protocol!.quantity).toMatchObject({
    denominator: { points: [expect.anything(), expect.anything(), 'middle-of-the-eye'] },
  });
  expect(screen.queryByLabelText('Remove middle of the eye')).toBeNull();
  await press('Earlier: middle of the eye');
  expect(places()[3]).toBe('middle of the eye');
});

it('of a length that is chosen half, what is missing is said, and nothing is changed until it will do', async () => {
  await open(ratio);
  await press('Measure it on photographs: Bill');
  const then = now.protocol;
  await choose('The length', 'one end');
  screen.getByText('Choose two places that it goes from and to.');
  expect(now.protocol).toBe(then);
  await choose('The length', 'one end of what it is held against');
  expect(screen.queryByText('Choose two places that it goes from and to.')).toBeNull();
  expect(now.protocol!.quantity).toMatchObject({
    numerator: { points: [expect.stringContaining('other-end'), expect.stringContaining('held-against')] },
  });
});

it('what is worked out is changed, and the places stay', async () => {
  await open(ratio);
  await press('Measure it on photographs: Bill');
  await keep('Place 1', 'tip of the bill');
  await choose('What is worked out', 'how far one tip reaches past another');
  expect(now.protocol!.quantity).toMatchObject({ kind: 'reach', tip: now.protocol!.landmarks[0].id });
  await choose('The tip that it passes', 'tip of the bill');
  expect(now.protocol!.quantity).toMatchObject({ past: now.protocol!.landmarks[0].id });
  await choose('What is worked out', 'a dip: V or U');
  expect(now.protocol!.landmarks.at(-1)).toMatchObject({ kind: 'path', label: 'from rim to rim' });
  await choose('The photograph shows', 'the specimen');
  await choose('Measured', 'three times');
  expect(now.protocol).toMatchObject({ view: 'whole', repeats: 3 });
  await choose('Measured', 'once');
  expect(now.protocol!.repeats).toBeUndefined();
  await press('Not on photographs: Bill');
  expect(now).toEqual(ratio);
});

it('of a character told by states, what it is in each is said, and what cannot be read is refused in words', async () => {
  await open(told);
  await press('Measure it on photographs: Bill');
  await keep('It is so in short', 'to 0.3');
  await keep('It is so in long', 'large');
  screen.getByText('Write it as 0.3 to 0.5, to 0.3, or 0.5 to.');
  expect(now.protocol!.states).toEqual([{ state: 'short', to: 0.3 }, { state: 'long' }]);
  await keep('It is so in long', '0.3 to');
  expect(now.protocol!.states![1]).toEqual({ state: 'long', from: 0.3 });
  await keep('It is so in short', '');
  expect(now.protocol!.states![0]).toEqual({ state: 'short' });
});

it('a count is of what the machine may look for, to one side of an axis', async () => {
  await open({ ...base, kind: 'count', counts: { from: 0, to: 20 } });
  await press('Measure it on photographs: Bill');
  await choose('Found at place 1', 'spots that the machine may look for');
  expect(now.protocol!.landmarks[0]).toMatchObject({ kind: 'markers', spots: true });
  await keep('Another place', 'front');
  await keep('Another place', 'back');
  await choose('To one side of an axis through', 'front');
  screen.getByText('Choose two places that it goes from and to.');
  await choose('To one side of an axis through', 'back');
  await choose('Counted', 'left of the axis');
  expect(now.protocol!.quantity).toMatchObject({ axis: ['front', 'back'], side: 'left' });
  await choose('Counted', 'all of them');
  expect('side' in now.protocol!.quantity).toBe(false);
  expect(within(screen.getByLabelText('How Bill is measured')).queryByLabelText('Remove front')).toBeNull();
});

it('a form is held against two others: plain ones, or an outline by its points', async () => {
  await open(told);
  await press('Measure it on photographs: Bill');
  await choose('What is worked out', 'where an outline lies between two forms');
  const between = () => (now.protocol!.quantity as Extract<Quantity, { kind: 'form' }>).between;
  expect(between().map(({ label }) => label)).toEqual(['an oval', 'a lance']);
  await choose('At 1 it is', 'a wedge');
  expect(between().map(({ label }) => label)).toEqual(['an oval', 'a wedge']);
  await press('At 0 it is an outline of its own');
  const own = 'At 0 it is as these points go round';
  await keep(own, '0 0\n4 x');
  screen.getByText('Line 2 is no point: write x and y, as 12.5 40.');
  expect(between()[0].label).toBe('an oval');
  await keep(own, '0 0\n4,1\n9 2\n');
  screen.getByText('An outline has at least 5 points, a line each.');
  await keep(own, '0 0\n4,1\n9 2\n9 -2\n4;-1');
  expect(between()[0]).toEqual({
    label: 'an outline of its own',
    points: [
      [0, 0],
      [4, 1],
      [9, 2],
      [9, -2],
      [4, -1],
    ],
  });
  await choose('At 0 it is', 'an egg');
  expect(between().map(({ label }) => label)).toEqual(['an egg', 'a wedge']);
});
