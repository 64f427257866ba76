import { terns } from '../../demo';
import { planFor } from '../plates';
import { TERN } from '../plates/tern';
import {
  applyEdits,
  type DraftCharacter,
  draftOf,
  emptyDraft,
  guideChanges,
  offPlate,
  onPlate,
  stateOnPlate,
  suits,
  workingOf,
} from '.';

const BILL: DraftCharacter = {
  ...{ id: 'beak', label: 'Beak', kind: 'nominal', group: 'colour', views: ['whole'], handling: 'look' },
  ...{ distance: 'near', needsLight: false, seconds: 5 },
  states: [
    { id: 'bright', label: 'bright orange' },
    { id: 'dusky', label: 'dusky' },
    { id: 'black', label: 'as black as the cap' },
  ],
};
const of = (id: string) => ({ id, known: TERN.vocabulary[id], place: TERN.places[id] });
const words = TERN.vocabulary['bill-colour'];
const begun = () => {
  const working = workingOf(emptyDraft('terns', 'Terns'));
  applyEdits(working, [
    { do: 'character', character: BILL },
    { do: 'part', set: { plan: 'tern' }, drop: [] },
  ]);
  return working;
};

describe('what drives the plates of a draft', () => {
  it('is a character, with the words of the plan that its states have in them', () => {
    const working = begun();
    applyEdits(working, onPlate(working.draft, BILL, of('bill-colour')));
    expect(working.draft.plateTraits).toEqual({
      'bill-colour': { character: 'beak', words: { bright: 'orange', black: 'black' } },
    });
    applyEdits(working, [stateOnPlate(working.draft, 'beak', 'bill-colour', 'dusky', 'brown')]);
    expect(working.draft.plateTraits!['bill-colour'].words).toEqual({ bright: 'orange', black: 'black', dusky: 'brown' });
    const plan = planFor({ plan: 'tern', plateTraits: working.draft.plateTraits }, TERN);
    const drawn = (state: string) => JSON.stringify(plan.draw({ beak: state }, 'perched', 'thumb'));
    expect(drawn('dusky')).toBe(JSON.stringify(TERN.draw({ 'bill-colour': 'brown' }, 'perched', 'thumb')));
    expect(drawn('dusky')).not.toBe(drawn('black'));
  });

  it('is one character for each trait, and one trait for each character', () => {
    const working = begun();
    const legs = { ...BILL, id: 'legs', label: 'Legs' };
    applyEdits(working, [{ do: 'character', character: legs }, ...onPlate(working.draft, BILL, of('bill-colour'))]);
    applyEdits(working, onPlate(working.draft, BILL, of('leg-colour')));
    expect(Object.keys(working.draft.plateTraits!)).toEqual(['leg-colour']);
    applyEdits(working, onPlate(working.draft, legs, of('leg-colour')));
    expect(working.draft.plateTraits!['leg-colour'].character).toBe('legs');
    applyEdits(working, offPlate(working.draft, legs));
    expect(working.draft).not.toHaveProperty('plateTraits');
    expect(working.draft.characters.map(({ id, plate, views }) => [id, plate, views])).toEqual([
      ['beak', { view: 'perched', part: 'legs' }, ['whole', 'perched']],
      ['legs', undefined, ['whole']],
    ]);
  });

  it('suits words to states, and numbers to what is measured or counted', () => {
    expect(suits(BILL, words)).toBe(true);
    expect(suits(BILL, TERN.vocabulary['fork-ratio'])).toBe(false);
    expect(suits({ kind: 'ratio' }, TERN.vocabulary['fork-ratio'])).toBe(true);
    expect(suits({ kind: 'count' }, words)).toBe(false);
  });

  it('is undone, is told among the changes, and asks for the format that knows it', () => {
    const working = workingOf({ ...terns, formatVersion: 1, plan: undefined, plateTraits: undefined });
    const before = draftOf(working);
    const outcome = applyEdits(working, [
      { do: 'part', set: { plan: 'tern' }, drop: [] },
      stateOnPlate(working.draft, 'cap', 'cap', 'full', 'mask'),
    ]);
    expect(working.draft).toMatchObject({ plan: 'tern', formatVersion: 2 });
    const { parts } = guideChanges(before, draftOf(working));
    expect(parts.map(({ title, lines }) => [title, lines])).toEqual([
      ['What shows on its plates', expect.arrayContaining([expect.stringContaining('mask')])],
      ['The body plan that it is drawn by', ['tern']],
    ]);
    if (!outcome.ok) throw new Error('not made');
    applyEdits(working, outcome.value);
    expect(working.draft).not.toHaveProperty('plateTraits');
    expect(working.draft.plan).toBeUndefined();
  });
});
