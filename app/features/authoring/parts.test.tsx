import { applyEdits, cellKey, type Draft, draftOf, type Edit, workingOf } from '@plesion/core/authoring';
import { ledgeCrabs } from '@plesion/demo';
import { fireEvent, screen } from '@testing-library/react-native';
import { act, type ReactNode, useState } from 'react';
import { forgetForms } from '../../lib/keptForm';
import { choose, press, showScreen, type } from '../../test/showScreen';
import { CharactersPart } from './CharactersPart';
import { GroupsCard } from './GroupsCard';
import { editOf, gridOf } from './grid';
import { PartChoice } from './PartChoice';
import { PlacesPart } from './PlacesPart';
import { TaxaPart } from './TaxaPart';
import { WordsPart } from './WordsPart';
import type { PartProps } from './WritingScreen';

jest.mock('../../lib/usePointers', () => ({ usePointers: () => undefined }));
jest.mock('./RegionMap', () => ({ RegionMap: () => null }));

let working: ReturnType<typeof workingOf>;
const now = (): Draft => draftOf(working);
/** A part of the editor over a draft that it changes. */
function Over({ children }: { children: (props: PartProps) => ReactNode }) {
  const [, setTurn] = useState(0);
  const edit = (...edits: Edit[]) => {
    const outcome = applyEdits(working, edits);
    setTurn((turn) => turn + 1);
    return outcome.ok;
  };
  return children({ id: 'draft', draft: working.draft, scores: working.scores, edit });
}
const open = (part: (props: PartProps) => ReactNode) => showScreen(<Over>{part}</Over>);
/** Leaves a field: what was typed counts then. */
const keep = async (label: string, text: string) => {
  await act(async () => fireEvent.changeText(screen.getByLabelText(label), text));
  await act(async () => fireEvent(screen.getByLabelText(label), 'blur'));
};
const key = async (label: string, name: string) =>
  act(async () => fireEvent(screen.getByLabelText(label), 'keyDown', { key: name, preventDefault: () => undefined }));

beforeEach(() => {
  forgetForms();
  working = workingOf(JSON.parse(JSON.stringify(ledgeCrabs)) as Draft);
});
const taxon = (id: string) => now().taxa.find((one) => one.id === id)!;

describe('what is typed and not put in yet', () => {
  /** The page is loaded again. */
  const again = async (part: (props: PartProps) => ReactNode) => {
    await act(async () => screen.unmount());
    await open(part);
  };

  it('is there after a reload, and gone once it is put in', async () => {
    const taxa = (props: PartProps) => <TaxaPart {...props} />;
    await open(taxa);
    await type('Name', 'Petralda nov');
    await again(taxa);
    expect(screen.getByLabelText('Name')).toHaveProp('value', 'Petralda nov');
    await type('Name', 'Petralda nova');
    await press('Add');
    expect(now().taxa.at(-1)?.name).toBe('Petralda nova');
    await again(taxa);
    expect(screen.getByLabelText('Name')).toHaveProp('value', '');
  });

  it('of a character is there with its kind and states', async () => {
    const characters = (props: PartProps) => <CharactersPart {...props} />;
    await open(characters);
    await type('What it is', 'Smell');
    await choose('It is told by', 'states in an order');
    await type('States', 'none, faint');
    await again(characters);
    await press('Add');
    expect(now().characters.at(-1)).toMatchObject({
      label: 'Smell',
      kind: 'ordered',
      states: [{ label: 'none' }, { label: 'faint' }],
    });
    await again(characters);
    expect(screen.getByLabelText('What it is')).toHaveProp('value', '');
  });
});

describe('a taxon', () => {
  beforeEach(async () => {
    await open((props) => <TaxaPart {...props} />);
    await press(`Change ${taxon('murica').name}`);
  });

  it('has other names, former and misleading, with why', async () => {
    const had = taxon('murica').names?.length ?? 0;
    await keep('Another name it goes by', 'Granny crab');
    expect(taxon('murica').names).toHaveLength(had + 1);
    await choose('It is another name: Granny crab', 'misleads: it is called so wrongly');
    await keep('Why, and since when: Granny crab', 'It is no crab of old.');
    expect(taxon('murica').names!.at(-1)).toEqual({ name: 'Granny crab', kind: 'misleading', note: 'It is no crab of old.' });
    await press('Remove this name: Granny crab');
    expect(taxon('murica').names ?? []).toHaveLength(had);
  });

  it('is as common as is said, and its places are told coarsely where they are to be', async () => {
    const { name } = taxon('murica');
    await press(`More of ${name}`);
    await keep('How common it is beside the others', 'very');
    screen.getByText('Write a number above 0.');
    await keep('How common it is beside the others', '0,2');
    await choose('Its places', 'are told coarsely when something is given out');
    await keep('Note', ' Only in autumn. ');
    expect(taxon('murica')).toMatchObject({ abundance: 0.2, sensitive: true, note: 'Only in autumn.' });
    await choose('Its places', 'may be told');
    expect(taxon('murica').sensitive).toBeUndefined();
  });

  it('is called otherwise by others; a line that names no taxon is not taken', async () => {
    await keep('Another way to name them', 'A revision');
    const label = 'Called otherwise';
    const last = () => now().treatments!.at(-1)!;
    const fields = () => screen.getAllByLabelText(label);
    const write = async (text: string) => {
      await act(async () => fireEvent.changeText(fields().at(-1)!, text));
      await act(async () => fireEvent(fields().at(-1)!, 'blur'));
    };
    await write('Nobody = Somebody');
    screen.getByText(/“Nobody = Somebody” was not taken/);
    expect(last().renames).toBeUndefined();
    await write(`${taxon('murica').name} = Petralda antiqua`);
    expect(last()).toMatchObject({ label: 'A revision', renames: { murica: 'Petralda antiqua' } });
    await press('Remove: A revision');
    expect(now().treatments?.some((one) => one.label === 'A revision') ?? false).toBe(false);
  });
});

it('where and when a taxon is met is said by words, and its year by the arrows', async () => {
  await open((props) => <PlacesPart {...props} />);
  await keep('Another region', 'Farther Ostren');
  const { id } = now().regions.at(-1)!;
  await press(taxon('murica').name);
  await choose(`${taxon('murica').name}, Farther Ostren`, 'rarely');
  expect(now().occurrence).toContainEqual({ kind: 'range', taxon: 'murica', region: id, frequency: 'rarely' });
  await key('May', 'ArrowUp');
  await key('May', 'ArrowUp');
  await key('May', 'ArrowDown');
  const year = now().occurrence.filter((one) => one.kind === 'date' && one.taxon === 'murica' && !one.facets);
  expect(year).toHaveLength(1);
  expect(year[0].kind === 'date' && year[0].curve).toHaveLength(12);
  await press('Remove the year');
  await press('Remove Farther Ostren');
  expect(JSON.stringify([now().regions, now().occurrence])).not.toContain(id);
});

it('a word is explained, drawn by states, and not explained twice', async () => {
  await open((props) => <WordsPart {...props} />);
  const add = async (word: string) => {
    await act(async () => fireEvent.changeText(screen.getByLabelText('Word'), word));
    await press('Add');
  };
  await add('Ledge');
  await add('LEDGE');
  screen.getByText('LEDGE is explained already.');
  await keep('What it means', 'A shelf of rock.');
  await keep('Other words for it', 'shelf, step');
  await press('Grains on the back');
  const last = () => now().glossary!.at(-1)!;
  expect(last()).toMatchObject({ term: 'Ledge', text: 'A shelf of rock.', also: ['shelf', 'step'] });
  expect(last().figure).toMatchObject({ character: 'granules' });
  await press('Remove: Ledge');
  expect(now().glossary!.map((one) => one.term)).not.toContain('Ledge');
});

it('a group of characters says how far they hang together', async () => {
  await open((props) => <GroupsCard {...props} />);
  const [{ label }] = now().dependence;
  await choose(`How far one follows from the other: ${label}`, 'closely');
  expect(now().dependence[0].gamma).toBe(0.8);
  await press(`Part them: ${label}`);
  expect(now().dependence.some((one) => one.label === label)).toBe(false);
});

describe('a part of a taxon', () => {
  it('is chosen among those that are scored, or put together', async () => {
    const chosen: object[] = [];
    await open((props) => <PartChoice {...props} source="handbook" part={{}} onChange={(part) => chosen.push(part)} />);
    await press('Another part');
    await choose('Sex', 'female');
    await act(async () => fireEvent.changeText(screen.getByLabelText('From which day to which'), 'in spring'));
    await press('Write of it');
    screen.getByText('Write two days, such as 1 Apr to 31 Aug.');
    await act(async () => fireEvent.changeText(screen.getByLabelText('From which day to which'), '03-01 to 05-31'));
    await press('Write of it');
    expect(chosen).toEqual([{ facets: { sex: ['female'] }, dates: { from: '03-01', to: '05-31' } }]);
  });

  it('is written in the grid beside what is said of all of it', () => {
    const part = { facets: { sex: ['female'] } };
    const [character] = now().characters.filter((one) => one.id === 'granules');
    const source = now().scores.find((one) => one.character === 'granules')!.source;
    const of = (own: object) => gridOf(working, source, own)(taxon('murica'), character);
    const all = of({}).text;
    expect(of(part)).toMatchObject({ text: all, from: taxon('murica').name });
    const typed = { taxon: taxon('murica'), character, text: character.states![0].label };
    const { edit } = editOf([typed], source, working.scores, part);
    expect(applyEdits(working, [edit!]).ok).toBe(true);
    expect(of(part)).toEqual({ text: character.states![0].label, more: 0 });
    expect(of({})).toMatchObject({ text: all, more: 1 });
    expect(working.scores.has(cellKey({ character: 'granules', source, scope: { taxon: 'murica', ...part } }))).toBe(true);
  });
});
