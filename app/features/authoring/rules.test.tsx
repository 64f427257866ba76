import { applyEdits, type Draft, draftOf, type Edit, workingOf } from '@plesion/core/authoring';
import { readGuide } from '@plesion/core/guide';
import { ledgeCrabs } from '@plesion/demo';
import { fireEvent, screen, within } from '@testing-library/react-native';
import { act, useState } from 'react';
import { forgetForms } from '../../lib/keptForm';
import { omit } from '../../lib/omit';
import { choose, press, showScreen, type } from '../../test/showScreen';
import { RulesPart } from './RulesPart';
import { sayCheck } from './ruleWords';

let working: ReturnType<typeof workingOf>;
const now = (): Draft => draftOf(working);
/** The part over a draft that it changes; what it makes is what the wire takes. */
function Over() {
  const [, setTurn] = useState(0);
  const edit = (...edits: Edit[]) => {
    const outcome = applyEdits(working, edits);
    setTurn((turn) => turn + 1);
    return outcome.ok;
  };
  return <RulesPart id="d" draft={working.draft} scores={working.scores} edit={edit} />;
}
const keep = async (label: string, text: string) => {
  await act(async () => fireEvent.changeText(screen.getByLabelText(label), text));
  await act(async () => fireEvent(screen.getByLabelText(label), 'blur'));
};
const problemsOf = () => {
  const read = readGuide(now());
  return read.ok ? [] : read.problems.map(({ field, message }) => `${field}: ${message}`);
};
const [measured] = ledgeCrabs.characters.filter(({ unit }) => unit);
const [told] = ledgeCrabs.characters.filter(({ states }) => states);
const [genus] = ledgeCrabs.taxa;

beforeEach(async () => {
  forgetForms();
  working = workingOf(omit(JSON.parse(JSON.stringify(ledgeCrabs)) as Draft, 'field', 'costs', 'unions'));
  await showScreen(<Over />);
});
afterEach(() => expect(problemsOf()).toEqual([]));

describe('a rule of a catch', () => {
  it('is put together of what it looks at, said in words, changed and taken out', async () => {
    await press('A new rule');
    await press('Add the rule');
    screen.getByText('Say in a sentence what is wrong then.');
    await type('What it says', 'Too narrow for its claws.');
    await press('Add the rule');
    screen.getByText('Say when it is broken: one thing at the least.');
    await press('Add one: Broken when all of this holds');
    await choose('What it looks at', 'a measured character');
    await press(measured.label);
    await press('Add this');
    screen.getByText('Say over or under what.');
    await type('Under', '12,5');
    await type('Over', '20');
    await press('Add this');
    screen.getByText('The second is to be more than the first.');
    await type('Over', '');
    await press('Add this');
    await press('Add one: Unless any of this holds');
    await choose('What it looks at', 'its sex');
    await choose('Any of', 'female');
    await press('Add this');
    await choose('Of which; of all where none is chosen', genus.name);
    await press('Add the rule');
    expect(now().field).toEqual({
      checks: [
        {
          ...{ id: 'rule', says: 'Too narrow for its claws.', taxa: [genus.id] },
          when: [{ kind: 'value', character: measured.id, under: 12.5 }],
          unless: [{ kind: 'sex', sexes: ['female'] }],
        },
      ],
    });
    const words = `${genus.name}: when ${measured.label} under 12.5 ${measured.unit}, unless sex female`;
    screen.getByText(words);
    await press('Change: Too narrow for its claws.');
    await type('What it says', 'Too narrow.');
    await press('Save the rule');
    expect(now().field!.checks).toMatchObject([{ id: 'rule', says: 'Too narrow.' }]);
    await press('Remove: Too narrow.');
    // Nothing is left of it: the guide is without the section again.
    expect(now()).not.toHaveProperty('field');
  });

  it('half put together is there again after a reload', async () => {
    await press('A new rule');
    await type('What it says', 'Too light.');
    await press('Add one: Broken when all of this holds');
    await choose('What it looks at', 'its mass');
    await type('Under', '3');
    await press('Add this');
    screen.unmount();
    await showScreen(<Over />);
    screen.getByText('mass under 3 g');
    await press('Add the rule');
    expect(now().field!.checks).toMatchObject([{ says: 'Too light.', when: [{ kind: 'mass', under: 3 }] }]);
  });

  it.each([
    ['a character told by states', told.label, 'Choose one at the least.'],
    ['by what it was sexed', undefined, 'Choose one at the least.'],
    ['its mass', undefined, 'Say over or under what.'],
    ['a measured character', undefined, 'Choose a character.'],
  ])('%s wants more before it is taken', async (kind, character, message) => {
    await press('A new rule');
    await press('Add one: Broken when all of this holds');
    await choose('What it looks at', kind);
    if (character) await press(character);
    await press('Add this');
    screen.getByText(message);
    expect(now()).not.toHaveProperty('field');
  });

  it.each([
    ['1.5', '', 'An age is a whole number, from 0 on.'],
    ['-1', '', 'An age is a whole number, from 0 on.'],
    ['two', '', 'Write a number, such as 28.4.'],
    ['3', '2', 'The second is to be more than the first.'],
  ])('an age from “%s” to “%s” is refused', async (from, to, message) => {
    await press('A new rule');
    await press('Add one: Broken when all of this holds');
    await choose('What it looks at', 'its age');
    await type('From', from);
    await type('To', to);
    await press('Add this');
    screen.getByText(message);
  });

  it('says each kind of condition in words', () => {
    const check = {
      ...{ id: 'all', says: 'No.' },
      when: [
        { kind: 'states' as const, character: told.id, states: [told.states![0].id] },
        { kind: 'mass' as const, over: 2, under: 9 },
        { kind: 'age' as const, from: 1, to: 1 },
        { kind: 'age' as const },
        { kind: 'sexBy' as const, methods: ['brood-patch' as const] },
      ],
    };
    expect(sayCheck(now(), check)).toBe(
      `when ${told.label}: ${told.states![0].label}; mass over 2 and under 9 g; age from 1 to 1; age known; sexed by brood patch`,
    );
  });
});

it('rings and hatching are written in words, and emptied', async () => {
  await keep('Young hatch', 'May');
  screen.getByText('Write two days, such as 20 May to 31 July.');
  await keep('Young hatch', '20 May to 31 July');
  await keep(`Rings of ${genus.name}`, 'B, CC , B');
  expect(now().field).toEqual({ hatching: { from: '05-20', to: '07-31' }, rings: [{ taxon: genus.id, sizes: ['B', 'CC'] }] });
  expect(screen.getByLabelText('Young hatch').props.value).toBe('20 May to 31 Jul');
  await keep(`Rings of ${genus.name}`, '');
  await keep('Young hatch', '');
  expect(now()).not.toHaveProperty('field');
});

it('a mistake that weighs more has its number and its reason', async () => {
  await press(genus.name);
  await keep(`Ordinary mistakes that it counts as: ${genus.name}`, '0');
  screen.getByText('Write a number from 1 to 1000.');
  await keep(`Ordinary mistakes that it counts as: ${genus.name}`, '50');
  await keep(`Why ${genus.name} must not be missed`, 'It stings.');
  expect(now().costs).toEqual([{ taxon: genus.id, weight: 50, reason: 'It stings.' }]);
  await press(`Remove: ${genus.name}`);
  expect(now()).not.toHaveProperty('costs');
});

it('what is called together is said of each', async () => {
  const [[facet, values]] = Object.entries(now().facets);
  const name = facet[0].toUpperCase() + facet.slice(1);
  await press('Call some together');
  await press('Add what they are called together');
  screen.getByText('Say what they are called together.');
  await type('What they are called together', 'one or the other');
  await press('Add what they are called together');
  screen.getByText('Say of each what it is.');
  for (const [i, group] of ['Either', 'Or, 1'].entries())
    await act(async () =>
      fireEvent.press(within(within(screen.getByLabelText(group)).getByLabelText(name)).getByText(values[i].label)),
    );
  await press('Add what they are called together');
  expect(now().unions).toEqual([
    { id: 'one-or-the-other', label: 'one or the other', of: [{ [facet]: [values[0].id] }, { [facet]: [values[1].id] }] },
  ]);
  screen.getByText(`${values[0].label} or ${values[1].label}`);
  await press('Remove: one or the other');
  expect(now()).not.toHaveProperty('unions');
});
