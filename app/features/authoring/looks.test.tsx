import { applyEdits, type DraftCharacter, type Edit, workingOf } from '@plesion/core/authoring';
import { ledgeCrabs } from '@plesion/demo';
import { fireEvent, screen } from '@testing-library/react-native';
import { act, useState } from 'react';
import { choose, press, shown, showScreen } from '../../test/showScreen';
import { CharactersPart } from './CharactersPart';
import { lengthsFrom, withField } from './tileFields';

jest.mock('../../lib/usePointers', () => ({ usePointers: () => undefined }));

const LEAF: DraftCharacter = {
  ...{ id: 'leaf', label: 'Leaf', kind: 'nominal', group: 'shape', views: ['dorsal'], handling: 'look' },
  ...{ distance: 'near', needsLight: false, seconds: 5 },
  states: [
    { id: 'heart', label: 'heart-shaped, toothed' },
    { id: 'grass', label: 'linear' },
    { id: 'odd', label: 'unlike any other' },
  ],
};

let working: ReturnType<typeof workingOf>;
let edits: Edit[][];
const tiles = () => working.draft.characters.find(({ id }) => id === 'leaf')!.states!.map(({ tile }) => tile);

function Characters() {
  const [, setTurn] = useState(0);
  const edit = (...made: Edit[]) => {
    edits.push(made);
    const outcome = applyEdits(working, made);
    setTurn((turn) => turn + 1);
    return outcome.ok;
  };
  return <CharactersPart id="draft" draft={working.draft} scores={working.scores} edit={edit} />;
}

const keep = async (label: string, text: string) => {
  await act(async () => fireEvent.changeText(screen.getByLabelText(label), text));
  await act(async () => fireEvent(screen.getByLabelText(label), 'blur'));
};

describe('how states are drawn', () => {
  beforeEach(async () => {
    edits = [];
    working = workingOf({ ...ledgeCrabs, plan: undefined, characters: [LEAF], scores: [] });
    await showScreen(<Characters />);
  });

  it('is proposed by their words, for all characters in one change', async () => {
    await press('Draw what the words of one character say');
    expect(edits).toHaveLength(1);
    expect(tiles()).toEqual([
      { draw: 'blade', outline: 'ovate', base: 'cordate', margin: 'dentate' },
      { draw: 'blade', outline: 'linear' },
      undefined,
    ]);
    expect(screen.queryByLabelText(/^Draw what the words/)).toBeNull();
  });

  describe('of one character', () => {
    beforeEach(async () => {
      await press('Change Leaf');
      await shown('How its states are drawn');
    });

    it('is chosen by what it would look like, and may be words only', async () => {
      await choose('How its states are drawn', 'unlike any other');
      await choose('unlike any other is drawn as', 'an outline');
      expect(tiles()[2]).toEqual({ draw: 'blade', outline: 'elliptic' });
      await choose('Outline', 'lanceolate');
      await press('Tip: as it comes');
      await choose('Tip', 'caudate');
      await press('Pattern: plain');
      await choose('Pattern', 'barred');
      await choose('Its colour', 'olive');
      expect(tiles()[2]).toEqual({ draw: 'blade', outline: 'lanceolate', tip: 'caudate', pattern: 'barred', colour: '#7d7a43' });
      await choose('Tip', 'as it comes');
      expect(tiles()[2]).not.toHaveProperty('tip');
      await choose('unlike any other is drawn as', 'words only');
      expect(tiles()).toEqual([undefined, undefined, undefined]);
    });

    it('takes lengths and colours, and says what is none', async () => {
      await choose('How its states are drawn', 'linear');
      await choose('linear is drawn as', 'lengths');
      await keep('Lengths, one behind the other', 'long');
      screen.getByText('Write two to four numbers from 0.01 to 1000, such as 2 : 1.');
      await keep('Lengths, one behind the other', '1,5 : 1');
      expect(tiles()[1]).toEqual({ draw: 'bars', lengths: [1.5, 1] });
      await choose('linear is drawn as', 'colours');
      await keep('Colours: another', 'teal');
      screen.getByText('Write # and six digits from 0 to f, such as #7a5a3a.');
      await keep('Colours: another', '#0A6B6B');
      await press('ochre');
      expect(tiles()[1]).toEqual({ draw: 'swatch', colours: ['#0a6b6b'] });
      await choose('It is the colour', 'of the whole: what is drawn beside it takes it');
      expect(tiles()[1]).toEqual({ draw: 'swatch', colours: ['#0a6b6b'], paints: true });
      await press('#0a6b6b');
      expect(tiles()[1]).toEqual({ draw: 'swatch', colours: ['#0a6b6b'], paints: true });
    });
  });

  it('a field is said, or left to the shape', () => {
    expect(withField({ draw: 'fin', end: 'forked' }, 'pattern', 'barred')).toEqual({
      draw: 'fin',
      end: 'forked',
      pattern: 'barred',
    });
    expect(withField({ draw: 'blade', outline: 'ovate', tip: 'acute' }, 'tip', undefined)).toEqual({
      draw: 'blade',
      outline: 'ovate',
    });
    expect(['2 : 1', '1, 2, 3', '1 1.5', '2', '1:0', '1:2:3:4:5', '1:1e9'].map(lengthsFrom)).toEqual([
      [2, 1],
      [1, 2, 3],
      [1, 1.5],
      ...[undefined, undefined, undefined, undefined],
    ]);
  });
});

describe('drawn by a body plan', () => {
  const COUNT: DraftCharacter = {
    ...LEAF,
    id: 'teeth',
    label: 'Teeth',
    kind: 'count',
    states: undefined,
    counts: { from: 0, to: 9 },
  };
  const BACK: DraftCharacter = {
    ...{ ...LEAF, id: 'back', label: 'Back' },
    states: [
      { id: 'a', label: 'smooth' },
      { id: 'b', label: 'with ribs' },
    ],
  };

  beforeEach(async () => {
    edits = [];
    working = workingOf({
      ...ledgeCrabs,
      plan: undefined,
      views: [{ id: 'whole', label: 'whole' }],
      characters: [BACK, COUNT],
      scores: [],
    });
    await showScreen(<Characters />);
  });

  it('is chosen, brings its views, and each character is said to show on it; its states as words of the plan', async () => {
    await shown('Drawn as');
    await choose('Body plan', 'a crab');
    await screen.findByLabelText('a crab, as it is drawn where nothing is said');
    expect(working.draft.plan).toBe('crab');
    expect(working.draft.views.map(({ id, label }) => [id, label])).toEqual([
      ['whole', 'whole'],
      ['dorsal', 'from above'],
      ['ventral', 'from below'],
    ]);
    await press('Change Back');
    await shown('What it shows on the plates');
    await choose('What it shows on the plates', 'granules');
    await shown('with ribs is drawn as');
    expect(working.draft.plateTraits).toEqual({ granules: { character: 'back', words: { a: 'smooth' } } });
    await choose('with ribs is drawn as', 'dense');
    expect(working.draft.plateTraits!.granules.words).toEqual({ a: 'smooth', b: 'dense' });
    await choose('What it shows on the plates', 'granules');
    expect(working.draft.plateTraits).toBeUndefined();
    await choose('Body plan', 'by its states alone');
    expect(working.draft.plan).toBeUndefined();
    expect(screen.queryByText('What it shows on the plates')).toBeNull();
  });

  it('offers numbers to what is counted', async () => {
    await shown('Drawn as');
    await choose('Body plan', 'a crab');
    await press('Change Teeth');
    await shown('What it shows on the plates');
    await choose('What it shows on the plates', 'side teeth');
    await shown(/^Drawn from \d+ to \d+;/);
    expect(working.draft.plateTraits).toEqual({ 'side-teeth': { character: 'teeth' } });
  });
});
