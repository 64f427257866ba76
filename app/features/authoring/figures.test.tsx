import { applyEdits, type Draft, type Edit, workingOf } from '@plesion/core/authoring';
import { ledgeCrabs } from '@plesion/demo';
import { fireEvent, screen } from '@testing-library/react-native';
import { act, type ReactElement, useState } from 'react';
import { Image, View } from 'react-native';
import { choose, press, showScreen } from '../../test/showScreen';
import { FigurePins } from './FigurePins';
import { FiguresPart } from './FiguresPart';
import { pieceOf, TilePiece } from './TilePiece';

jest.mock('../../lib/usePointers', () => ({ usePointers: () => undefined }));
jest.mock('../session/useSession', () => ({ useSession: () => ({ station: { id: 'station' } }) }));
const HASH = 'b'.repeat(64);
const mockSend = jest.fn();
jest.mock('../photos/keepPhoto', () => ({ sendPhoto: (file: unknown) => mockSend(file) }));
jest.mock('../photos/AddPhotos', () => {
  const { Button } = jest.requireActual<{
    Button: (props: { label: string; onPress: () => void }) => ReactElement;
  }>('../../ui/Button');
  return {
    TakePhotos: ({ take }: { take: (file: object) => Promise<void> }) => (
      <Button label="Add a photo" onPress={() => void take({ name: 'one.jpg' })} />
    ),
  };
});

// What is set and told on the table is tried in a browser.
jest.mock('../measure/FreeTable', () => {
  const { Button } = jest.requireActual<{
    Button: (props: { label: string; onPress: () => void }) => ReactElement;
  }>('../../ui/Button');
  return {
    FreeTable: ({ tool, keep }: { tool: { label: string }; keep: { put: (words: string) => void } }) => (
      <Button label={`Keep 2 of ${tool.label}`} onPress={() => keep.put('Told: 2')} />
    ),
  };
});

let working: ReturnType<typeof workingOf>;
const figures = () => working.draft.figures;
const FIGURE = {
  ...{ id: 'one', photo: HASH, width: 400, height: 200, taxon: 'murica', view: 'dorsal' },
  ...{ credit: 'O. Mereth', licence: 'CC-BY-4.0' as const },
};

function Figures({ id = 'draft' }: { id?: string }) {
  const [, setTurn] = useState(0);
  const edit = (...edits: Edit[]) => {
    const outcome = applyEdits(working, edits);
    setTurn((turn) => turn + 1);
    return outcome.ok;
  };
  return <FiguresPart id={id} draft={working.draft} scores={working.scores} edit={edit} />;
}
const keep = async (label: string, text: string) => {
  await act(async () => fireEvent.changeText(screen.getByLabelText(label), text));
  await act(async () => fireEvent(screen.getByLabelText(label), 'blur'));
};

beforeEach(() => {
  mockSend.mockReset().mockImplementation(() => Promise.resolve({ hash: HASH, width: 400, height: 200 }));
  jest
    .spyOn(Image, 'getSize')
    .mockImplementation(((_uri: string, done: (w: number, h: number) => void) => done(400, 200)) as typeof Image.getSize);
  working = workingOf(JSON.parse(JSON.stringify(ledgeCrabs)) as Draft);
});

describe('a photograph for a guide', () => {
  it('stands in it with its credit and its licence, and not without', async () => {
    await showScreen(<Figures />);
    await press('Add a photo');
    await press('Add');
    screen.getByText('Choose what it shows.');
    await choose('It shows', 'Petralda murica');
    await press('Add');
    screen.getByText('Choose from where it is seen.');
    await choose('Seen', ledgeCrabs.views[0].label);
    await press('Add');
    screen.getByText('Write whose photograph it is: none stands in a guide without.');
    await keep('Whose it is', ' O. Mereth ');
    await press('Add');
    screen.getByText('Choose on what terms it may be used: none stands in a guide without.');
    expect(figures()).toBeUndefined();
    await choose('It may be used', 'CC BY-SA 4.0');
    await keep('What is to be seen on it', 'The ridge of granules.');
    await press('Add');
    expect(figures()).toEqual([
      {
        ...{ id: expect.any(String), photo: HASH, width: 400, height: 200, taxon: 'murica', view: ledgeCrabs.views[0].id },
        ...{ credit: 'O. Mereth', licence: 'CC-BY-SA-4.0', caption: 'The ridge of granules.' },
      },
    ]);
  });

  it('waits for its words over a reload, with what was said so far; the next is proposed the same', async () => {
    await showScreen(<Figures id="again" />);
    await press('Add a photo');
    await press('Add a photo');
    screen.getByText('2 wait for their words');
    await choose('It shows', 'Petralda cinerata');
    await choose('Seen', ledgeCrabs.views[0].label);
    await keep('Whose it is', 'A. Orvane');
    await act(async () => screen.unmount());
    await showScreen(<Figures id="again" />);
    await choose('It may be used', 'all rights kept');
    await press('Add');
    await press('Add');
    expect(figures()!.map(({ id, taxon, credit, licence }) => [id, taxon, credit, licence])).toEqual([
      [expect.any(String), 'cinerata', 'A. Orvane', 'own'],
      [expect.any(String), 'cinerata', 'A. Orvane', 'own'],
    ]);
    expect(new Set(figures()!.map(({ id }) => id)).size).toBe(2);
    expect(screen.queryByLabelText('Add')).toBeNull();
  });

  it('of what was taken out meanwhile is asked for anew', async () => {
    await showScreen(<Figures id="gone" />);
    await press('Add a photo');
    await choose('It shows', 'Petralda murica');
    await choose('Seen', ledgeCrabs.views[0].label);
    await keep('Whose it is', 'A. Orvane');
    await choose('It may be used', 'all rights kept');
    await act(async () => screen.unmount());
    applyEdits(working, [{ do: 'dropTaxon', id: 'murica' }]);
    await showScreen(<Figures id="gone" />);
    await press('Add');
    screen.getByText('Choose what it shows.');
    expect(figures()).toBeUndefined();
  });

  it('one that is in is changed, never to nobody’s, and taken out', async () => {
    working.draft.figures = [FIGURE];
    await showScreen(<Figures />);
    await press('Change Petralda murica');
    await keep('Whose it is', '  ');
    screen.getByText('Write whose photograph it is: none stands in a guide without.');
    expect(figures()).toEqual([FIGURE]);
    await keep('Whose it is', 'E. Vask');
    await choose('It may be used', 'public domain');
    expect(figures()).toEqual([{ ...FIGURE, credit: 'E. Vask', licence: 'public-domain' }]);
    await press('Remove: the photograph by E. Vask');
    expect(figures()).toBeUndefined();
  });

  it('is measured as a character says or otherwise, and what it came to stands in its words', async () => {
    working.draft.figures = [{ ...FIGURE, caption: 'A male.' }];
    await showScreen(
      <View>
        <Figures />
      </View>,
    );
    await press('Change Petralda murica');
    await press('Measure on it');
    await screen.findByText(/is written, with its error/);
    const ratio = ledgeCrabs.characters.find(({ id }) => id === 'width-ratio')!;
    await choose('What is measured', ratio.label);
    await press(`Keep 2 of ${ratio.label}`);
    expect(figures()![0].caption).toBe('A male. Told: 2.');
    await choose('What is measured', 'an angle');
    await press('Keep 2 of an angle');
    expect(figures()![0].caption).toBe('A male. Told: 2. Told: 2.');
  });

  it('points at characters, with keys, and takes a pin off again', async () => {
    const onChange = jest.fn();
    await showScreen(<FigurePins figure={FIGURE} characters={ledgeCrabs.characters} onChange={onChange} />);
    const key = (name: string) => {
      const photo = screen.getByLabelText(/^(The photograph|Press where)/);
      return act(async () =>
        fireEvent(photo, 'keyDownCapture', {
          key: name,
          shiftKey: true,
          preventDefault: () => undefined,
          stopPropagation: () => undefined,
        }),
      );
    };
    const { id, label } = ledgeCrabs.characters[0];
    await press(label);
    await key('ArrowRight');
    await key('Enter');
    expect(onChange).toHaveBeenCalledWith([{ character: id, x: 0.55, y: 0.5 }]);
  });
});

describe('a piece of a photograph', () => {
  it('is square on it, round the place, and never beyond the edge', () => {
    for (const x of [0, 0.3, 1])
      for (const y of [0, 0.5, 1])
        for (const share of [0.1, 0.4, 1]) {
          const { box } = pieceOf(FIGURE, share, { x, y });
          expect(box.width * 400).toBeCloseTo(box.height * 200, 9);
          expect(Math.min(box.x, box.y)).toBeGreaterThanOrEqual(0);
          expect(Math.max(box.x + box.width, box.y + box.height)).toBeLessThanOrEqual(1 + 1e-9);
        }
    expect(pieceOf(FIGURE, 0.4).box).toEqual({ x: 0.4, y: expect.closeTo(0.3), width: 0.2, height: 0.4 });
  });

  it('is chosen larger or smaller round its middle', async () => {
    const onChange = jest.fn();
    await showScreen(<TilePiece tile={pieceOf(FIGURE)} figures={[FIGURE]} onChange={onChange} />);
    await choose('How much of it', 'a fifth');
    expect(onChange).toHaveBeenCalledWith(pieceOf(FIGURE, 0.2));
  });
});
