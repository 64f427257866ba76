import { RequestProblem } from '@plesion/contract';
import type { DraftLook } from '@plesion/contract/authoring';
import { applyEdits, draftOf, type Edit, emptyDraft, type Mistaken, type Working, workingOf } from '@plesion/core/authoring';
import { reply } from '@plesion/core/analysis';
import { poolSnails } from '@plesion/demo';
import { onlineManager } from '@tanstack/react-query';
import { fireEvent, screen, waitFor, within } from '@testing-library/react-native';
import { act } from 'react';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { choose, press, showScreen, shown, type } from '../../test/showScreen';
import { DraftsScreen } from './DraftsScreen';
import { WritingScreen } from './WritingScreen';

let mockStation: FakeStation;
const mockPush = jest.fn();
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ account: { name: 'mira', role: 'member' }, station: { id: 's' } }),
}));
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));
jest.mock('expo-router', () => ({
  Link: ({ children }: { children: object }) => children,
  useRouter: () => ({ push: mockPush, replace: mockPush }),
}));

let mockSave: (name: string, text: string) => void;
jest.mock('../../lib/files', () => ({ pickFile: jest.fn(), saveFile: (name: string, text: string) => mockSave(name, text) }));

let mockMistaken: Mistaken[];
let drafted = 0;
let id: string;
let working: Working;
let version: number;
const sent = (name: string) => mockStation.asked.filter((one) => one.name === name).map(({ given }) => given);
const row = () => ({ id, title: working.draft.title, version, by: 'mira', updatedAt: '2026-05-01T10:00:00Z' });

beforeEach(() => {
  mockPush.mockClear();
  mockMistaken = [];
  id = `0192f3a0-0000-7001-8000-0000000001${String(++drafted).padStart(2, '0')}`;
  working = workingOf(emptyDraft('new', ''));
  applyEdits(working, poolSnails);
  version = 1;
  mockStation = fakeStation();
  mockStation.answer('drafts', () => ({ drafts: [row()] }));
  mockStation.answer('draft', () => ({ ...row(), content: JSON.parse(JSON.stringify(draftOf(working))) as object }));
  mockStation.answer('draftEdits', () => ({ version, batches: [] }));
  mockStation.answer('editDraft', ({ body }) => {
    const { batch, edits } = body as unknown as { batch: string; edits: Edit[] };
    applyEdits(working, edits);
    version++;
    return { version, batches: [{ n: version, batch, by: 'mira', at: '2026-05-01T10:00:00Z', edits }] };
  });
  mockStation.answer('lookOverDraft', (): DraftLook => {
    const asked = reply<'lookOver'>({ name: 'lookOver', asked: { draft: draftOf(working), mistaken: mockMistaken } });
    if (!asked.known) throw new Error('not answered');
    return { ...asked.answer, records: [] };
  });
  mockStation.answer('publishDraft', () => ({ id: 'g9' }));
});

const open = async (part?: string) => {
  await showScreen(<WritingScreen id={id} />);
  await shown('Snails of the brackish pools');
  if (part) await press(part);
};
/** Leaves a field: what was typed counts then. */
const leave = (label: string) => act(async () => fireEvent(screen.getByLabelText(label), 'blur'));
const keep = async (label: string, text: string) => {
  await type(label, text);
  await leave(label);
};

it('what is being written is listed, begun with a title, removed and restored', async () => {
  mockStation.answer('beginDraft', () => ({ ...row(), content: draftOf(working) }));
  mockStation.answer('dropDraft', () => ({ drafts: [] }));
  mockStation.answer('restoreDraft', () => ({ drafts: [row()] }));
  await showScreen(<DraftsScreen />);
  await shown('Snails of the brackish pools');
  await type('Title', 'Beetles');
  await press('Begin a guide from nothing');
  await waitFor(() => expect(mockPush).toHaveBeenCalled());
  expect(sent('beginDraft')).toMatchObject([{ body: { title: 'Beetles' } }]);
  await press('Remove: Snails of the brackish pools');
  await shown('Nothing is being written');
  await press('Undo: Removed: Snails of the brackish pools');
  await waitFor(() => expect(screen.queryByText('Nothing is being written')).toBeNull());
  screen.getByText('Snails of the brackish pools');
  expect(screen.queryByText('Undo')).toBeNull();
});

it('what it is about is saved when a field is left, in one step that is undone and done again', async () => {
  await open();
  await type('Area', 'Ostren');
  await type('Area', 'Ostren only');
  await leave('Area');
  await shown('Saved');
  await waitFor(() => expect(sent('editDraft')).toHaveLength(1));
  expect(sent('editDraft')[0]).toMatchObject({ body: { after: 1, edits: [{ do: 'head', set: { area: 'Ostren only' } }] } });
  await press('Undo');
  expect(screen.getByLabelText('Area').props.value).toBe('Pools of Quell and Ostren');
  await press('Redo');
  expect(screen.getByLabelText('Area').props.value).toBe('Ostren only');
  await keep('Sexes', 'female, male, female');
  await waitFor(() =>
    expect(working.draft.facets.sex).toEqual([
      { id: 'female', label: 'female' },
      { id: 'male', label: 'male' },
    ]),
  );
});

it('a source is put in, cited, and taken out with its scores', async () => {
  await open();
  await press('Another source');
  await keep('Short name', 'Dallow 1932');
  await keep('Citation', 'T. Dallow, 1932.');
  await press('Done');
  await waitFor(() => expect(working.draft.sources.at(-1)).toMatchObject({ label: 'Dallow 1932', citation: 'T. Dallow, 1932.' }));
  await press('Change source: Dallow 1932');
  await press('Remove: Dallow 1932, with what is scored by it');
  await waitFor(() => expect(working.draft.sources).toHaveLength(1));
});

it('a taxon is written down under the genus of its name, changed, made dangerous, and taken out', async () => {
  await open('Taxa');
  await press('Add');
  screen.getByText('Write its name.');
  await type('Name', 'Orbissa plana');
  await press('Add');
  screen.getByText('Orbissa plana is in it already.');
  await type('Name', 'Orbissa lata');
  await press('Add');
  await shown('Orbissa lata');
  await waitFor(() =>
    expect(working.draft.taxa.at(-1)).toMatchObject({ name: 'Orbissa lata', parent: 'orbissa', forms: [{ share: 1 }] }),
  );
  await press('Change Orbissa lata');
  await keep('Common name', 'broad coil');
  await choose('Can it do harm?', 'toxin');
  await waitFor(() =>
    expect(working.draft.taxa.at(-1)).toMatchObject({ vernacular: 'broad coil', hazards: [{ kind: 'toxin', grade: 'serious' }] }),
  );
  await choose('Stands under', 'Velutrina');
  await choose('Is it told apart itself?', 'no, only what stands under it');
  await waitFor(() => {
    const lata = working.draft.taxa.find(({ name }) => name === 'Orbissa lata');
    expect(lata).toMatchObject({ parent: 'velutrina' });
    expect(lata).not.toHaveProperty('forms');
  });
  await press('Remove: Orbissa lata, with what is written of it');
  await waitFor(() => expect(working.draft.taxa.some(({ name }) => name === 'Orbissa lata')).toBe(false));
});

it('a character is written down with its states, renamed without losing its scores, and taken out', async () => {
  await open('Characters');
  await type('What it is', 'Lid');
  await press('Add');
  screen.getByText('Write two states at the least, parted by commas.');
  await type('States', 'horny, chalky, horny');
  await press('Add');
  await waitFor(() =>
    expect(working.draft.characters.at(-1)).toMatchObject({ id: 'Lid', states: [{ id: 'horny' }, { id: 'chalky' }] }),
  );
  await press('Change Coil');
  const before = [...working.scores.values()].filter(({ character }) => character === 'coil').length;
  await keep('State: in one plane', 'flat as a coin');
  await keep('Another view', 'from below');
  await waitFor(() => expect(working.draft.views.map(({ label }) => label)).toContain('from below'));
  expect(working.draft.characters[0]).toMatchObject({ states: [{ id: 'in-one-plane', label: 'flat as a coin' }, {}, {}] });
  expect([...working.scores.values()].filter(({ character }) => character === 'coil')).toHaveLength(before);
  await press('Close Coil');
  await press('Change Height');
  await keep('Usual error of one careful measurement', 'none');
  screen.getByText('Write a number above 0.');
  await keep('Usual error of one careful measurement', '0,3');
  await waitFor(() => expect(working.draft.characters.find(({ id: own }) => own === 'height')).toMatchObject({ error: 0.3 }));
  await press('Remove: Height, with all that is scored of it');
  await waitFor(() => expect([...working.scores.values()].some(({ character }) => character === 'height')).toBe(false));
});

it('a cell is chosen, written, refused with why, filled and emptied', async () => {
  await open('Who has what');
  const grid = screen.getByLabelText('Taxa against characters');
  const cell = (text: string) => within(grid).getAllByText(text)[0];
  await act(async () => fireEvent.press(cell('tall spire')));
  screen.getByText('Velutrina alta: Coil');
  await type('What is written in the cell', 'spiral');
  await press('Write it');
  await shown(/has no state “spiral”/);
  await type('What is written in the cell', 'low cone rarely; tall spire usually');
  await press('Write it');
  await waitFor(() =>
    expect(
      [...working.scores.values()].find(({ character, scope }) => character === 'coil' && scope.taxon === 'velutrina-alta')
        ?.value,
    ).toEqual({
      kind: 'states',
      states: { 'low-cone': 'rarely', 'tall-spire': 'usually' },
    }),
  );
  await press('Same for all that have nothing');
  await waitFor(() => expect([...working.scores.values()].filter(({ character }) => character === 'coil')).toHaveLength(6));
  const key = (name: string) => act(async () => fireEvent(grid, 'keyDown', { key: name, preventDefault: () => undefined }));
  await key('Delete');
  await waitFor(() => expect([...working.scores.values()].filter(({ character }) => character === 'coil')).toHaveLength(5));
  await key('Home');
  await key('PageUp');
  screen.getByText('Orbissa: Coil');
  await key('ArrowRight');
  screen.getByText('Orbissa: Keel');
  // What is written above is had by what stands under it.
  await key('n');
  await type('What is written in the cell', 'none');
  await press('Write it');
  await key('End');
  screen.getByText('Orbissa: Whorls');
});

it('what is half typed in a cell is there again; read where it can be when another cell or part is chosen, and left where it is to be', async () => {
  await open('Who has what');
  const cell = 'What is written in the cell';
  const coilOf = (taxon: string) =>
    [...working.scores.values()].find(({ character, scope }) => character === 'coil' && scope.taxon === taxon)?.value;
  const pick = async (text: string) =>
    act(async () => fireEvent.press(within(screen.getByLabelText('Taxa against characters')).getAllByText(text)[0]));
  await pick('tall spire');
  await type(cell, 'low cone rar');
  // What cannot be read stays, and one stays with it.
  await pick('tall spire');
  await shown(/“low cone rar”/);
  expect(screen.getByLabelText(cell).props.value).toBe('low cone rar');
  await press('Words');
  await press('Who has what');
  screen.getByText('Velutrina alta: Coil');
  expect(screen.getByLabelText(cell).props.value).toBe('low cone rar');
  expect(screen.getByLabelText(cell).props.autoFocus).toBe(false);
  await act(async () => screen.unmount());
  await open('Who has what');
  screen.getByText('Velutrina alta: Coil');
  expect(screen.getByLabelText(cell).props.value).toBe('low cone rar');
  await press('Cancel');
  expect(screen.getByLabelText(cell).props.value).toBe('tall spire');
  expect(screen.queryByText('Cancel')).toBeNull();
  await type(cell, 'low cone');
  await press('Words');
  await waitFor(() => expect(coilOf('velutrina-alta')).toEqual({ kind: 'states', states: { 'low-cone': 'always' } }));
});

it('a table is imported and undone in one step; what cannot be read is told by cell, and NEXUS goes out', async () => {
  const saved: string[] = [];
  mockSave = (name, text) => saved.push(name, text);
  await open('Tables in and out');
  await shown('Out');
  await type('Paste it here', 'no table');
  await press('Import it');
  await shown(/Give a table whose first line/);
  await type(
    'Paste it here',
    'taxon\tCoil\tHeight (mm)\tSmell\nOrbissa plana\tlow cone\twide\tnone\nOrbissa nova\ttall spire\t3–4\tof mint',
  );
  await press('Import it');
  await shown('One cell was not taken');
  screen.getByText(/^Orbissa plana, Height, “wide”/);
  const height = () =>
    [...working.scores.values()].find(({ character, scope }) => character === 'height' && scope.taxon === 'orbissa-plana')?.value;
  const before = height();
  await keep('Instead, for Orbissa plana, Height', 'wider');
  screen.getByText(/^Orbissa plana, Height, “wide”: .*wider/);
  expect(height()).toEqual(before);
  await keep('Instead, for Orbissa plana, Height', '4–6');
  await shown('Orbissa plana, Height: now “4–6”.');
  await waitFor(() => expect(height()).toEqual({ kind: 'range', range: '4–6' }));
  await press('Undo');
  await waitFor(() => expect(height()).toEqual(before));
  // Taken back, it is to be mended again.
  await shown(/^Orbissa plana, Height, “wide”: /);
  await waitFor(() => expect(working.draft.taxa.at(-1)!.name).toBe('Orbissa nova'));
  expect(working.draft.characters.at(-1)).toMatchObject({ label: 'Smell', states: [{ label: 'none' }, { label: 'of mint' }] });
  await press('Save as NEXUS');
  expect(saved[0]).toBe('Snails of the brackish pools.nex');
  expect(saved[1]).toMatch(/^#NEXUS[\s\S]+'Orbissa nova'/);
  await press('Undo');
  await waitFor(() => expect(working.draft.taxa.at(-1)!.name).toBe('Spinella acris'));
});

it('a table too large to be read while one looks on is imported by the server, and undone in one step', async () => {
  const lines = Array.from({ length: 6000 }, (_, i) => `Orbissa species${i},low cone and then some more words`);
  const text = ['taxon,Coil', ...lines].join('\n');
  let jobs = 0;
  mockStation.answer('takeMatrix', ({ body }) => {
    expect(body).toMatchObject({ source: 'own', text });
    applyEdits(working, [{ do: 'taxon', taxon: { id: 'far', name: 'Orbissa procul', rank: 'species', abundance: 1 } }]);
    version++;
    return { jobId: id };
  });
  mockStation.answer('job', () =>
    jobs++ === 0
      ? { jobId: id, state: 'running', progress: 0.4 }
      : {
          ...{ jobId: id, state: 'done', progress: 1 },
          result: {
            ...{ version, taxa: 6000, characters: 1, left: 120 },
            problems: [{ taxon: 'Orbissa species7', character: 'Coil', text: 'low', message: 'is not told' }],
            back: [{ do: 'drop', taxa: ['far'], characters: [] }],
          },
        },
  );
  await open('Tables in and out');
  await shown('Out');
  await type('Paste it here', text);
  await press('Import it');
  await shown('Importing it, 40 in 100 done');
  // Whoever looks at another part meanwhile hears of it when they come back.
  await press('Taxa');
  await shown(/Orbissa plana/);
  await press('Tables in and out');
  await shown('120 cells were not taken');
  screen.getByText('Read: 6000 taxa, 1 characters. One step back undoes all of it.');
  screen.getByText(/^Orbissa species7, Coil, “low”/);
  screen.getByText('and 119 more');
  expect(screen.getByLabelText('Paste it here').props.value).toBe('');
  await press('Taxa');
  await shown(/Orbissa procul/);
  await press('Undo');
  await waitFor(() => expect(screen.queryByText(/Orbissa procul/)).toBeNull());
  await waitFor(() => expect(working.draft.taxa.at(-1)!.name).toBe('Spinella acris'));
  expect(screen.getByLabelText('Redo')).toBeDisabled();
});

it('a specimen is tried on it, and its readings are taken back', async () => {
  mockStation.answer('tryDraft', ({ body }) => {
    const { readings } = body as { readings: object[] };
    return {
      taxa: [{ name: readings.length ? 'Velutrina alta' : 'Orbissa plana', p: 0.9 }],
      outside: 0.02,
      without: ['a', 'b', 'c', 'd', 'e'],
    };
  });
  await open('Try it');
  await shown('Orbissa plana: 90 in 100');
  screen.getByText(/^Without a, b, c, d and 1 more: not whole yet/);
  await choose('Coil', 'tall spire');
  await type('Height', '18,5');
  await shown('Velutrina alta: 90 in 100');
  expect(sent('tryDraft').at(-1)).toMatchObject({
    body: {
      readings: [
        { character: 'coil', states: ['tall-spire'] },
        { character: 'height', value: 18.5 },
      ],
    },
  });
  await press('Clear all readings');
  await shown('Orbissa plana: 90 in 100');
  act(() => onlineManager.setOnline(false));
  await choose('Coil', 'low cone');
  // Nothing is said of these readings by what was said of others.
  await shown(/^Waiting for a connection/);
  expect(screen.queryByText(/90 in 100/)).toBeNull();
  act(() => onlineManager.setOnline(true));
  await shown('Velutrina alta: 90 in 100');
  expect(screen.queryByText(/^Waiting for a connection/)).toBeNull();
});

it('says what people take for one another, and where a cell would help them', async () => {
  mockMistaken = [{ a: 'velutrina-brevis', b: 'velutrina-limosa', times: 3 }];
  await open('Look it over');
  await shown('People take these for one another');
  screen.getByText('Velutrina brevis and Velutrina limosa: 3 times; 100 in 100 the same');
  screen.getByText('Velutrina limosa, Mouth of the shell: may part 1 pair, taken for one another 3 times');
});

it('is published though it could not be looked over, or told what it wants', async () => {
  const refuse = (code: string, message: string) => () => {
    throw new RequestProblem(400, { code, message });
  };
  mockStation.answer('lookOverDraft', refuse('too-slow', 'This takes too long.'));
  mockStation.answer('publishDraft', refuse('wanted', 'Say for which area it holds.'));
  await open('Look it over');
  await shown('This takes too long.');
  await press('Publish');
  await shown('Not published');
  screen.getByText('Say for which area it holds.');
});

it('is looked over: what it wants, what nothing tells apart, where a cell would help; then published', async () => {
  await open('Look it over');
  await shown(/Spinella acris can do harm/);
  screen.getByText('Nothing tells these apart');
  screen.getByText(/^Velutrina brevis and Velutrina limosa/);
  screen.getByText(/^Velutrina limosa, Mouth of the shell: may part/);
  screen.getByText('Keel: in the middle');
  expect(screen.queryByLabelText('Publish this guide')).toBeNull();
  // From each line one comes to where it is mended.
  await press('Go to it: Velutrina limosa, Mouth of the shell: may part 1 pair');
  await shown('Velutrina limosa: Mouth of the shell');
  await press('Look it over');
  await shown(/Spinella acris can do harm/);
  await press(/^Go to it: Spinella acris can do harm/);
  await keep('Caution', 'Leave the needle snail alone.');
  await press('Look it over');
  await shown('It can be published');
  await press('Publish this guide');
  await waitFor(() => expect(mockPush).toHaveBeenCalledWith('/guides/g9'));
  expect(sent('publishDraft')).toMatchObject([{ body: { version: 2 } }]);
});

it('a newer version of its guide is taken over, and of what both changed one says whose is to hold', async () => {
  let newer = [
    {
      ...{ of: 'base', title: 'Snails', from: 1, to: 2, changes: 3 },
      conflicts: [{ key: 'area', name: 'area', ours: 'Here', theirs: 'There' }],
    },
  ];
  mockStation.answer('newerForDraft', () => ({ newer }));
  mockStation.answer('carryOver', () => {
    applyEdits(working, [{ do: 'head', set: { area: 'There' } }]);
    version++;
    newer = [];
    return { ...row(), content: draftOf(working) };
  });
  await open('Look it over');
  await shown('Version 2 of “Snails” is there');
  screen.getByText(/3 changes can be taken over/);
  expect(screen.queryByText('It can be published')).toBeNull();
  await choose('area', 'theirs: There');
  await press('Update to version 2 of Snails');
  await waitFor(() => expect(sent('carryOver')).toMatchObject([{ body: { of: 'base', to: 2, take: ['area'], version: 1 } }]));
  await waitFor(() => expect(screen.queryByText('Version 2 of “Snails” is there')).toBeNull());
  await press('About it');
  await waitFor(() => expect(screen.getByLabelText('Area').props.value).toBe('There'));
});
