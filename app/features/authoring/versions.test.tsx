import type { NamesTried } from '@plesion/contract/guideVersions';
import { ledgeCrabs } from '@plesion/demo';
import { screen } from '@testing-library/react-native';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { choose, press, showScreen, shown } from '../../test/showScreen';
import { VersionsScreen } from './VersionsScreen';

let mockStation: FakeStation;
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../../lib/api', () => ({ api: (name: string, given: object) => mockStation.api(name, given) }));
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));
jest.mock('expo-router', () => ({ Link: ({ children }: { children: object }) => children }));

let versions: object[];
let pages: NamesTried[];
const [first] = ledgeCrabs.taxa;
const score = ledgeCrabs.scores.findIndex(({ value }) => value.kind === 'states');
const written = [
  ledgeCrabs,
  { ...ledgeCrabs, taxa: ledgeCrabs.taxa.map((one) => (one === first ? { ...one, name: 'Petralda nova' } : one)) },
  { ...ledgeCrabs, scores: ledgeCrabs.scores.toSpliced(score, 1) },
];
const open = () => showScreen(<VersionsScreen id={mockStation.idOf('ledge-crabs')} />);

beforeEach(() => {
  mockStation = fakeStation();
  versions = [3, 2, 1].map((version) => ({ version, at: `2026-0${version}-01T10:00:00Z`, records: version === 1 ? 2 : 0 }));
  mockStation.answer('guideVersions', () => ({ versions }));
  mockStation.answer('guide', ({ query }) => {
    const { version } = query as unknown as { version: number };
    return { ...{ id: 'x', version, slug: 'ledge-crabs' }, guide: written[version - 1] };
  });
  pages = [];
  mockStation.answer('tryNames', () => pages.shift()!);
});

it('says what each version changed, in words and cell by cell', async () => {
  await open();
  await shown('Different from version 2');
  screen.getByText(`Taxa`);
  screen.getByText(`Petralda nova: name: Petralda nova → ${first.name}`);
  screen.getByText('One cell');
  screen.getByText(/^no more: /);
  await choose('Beside', '1 · 1 Jan 2026 · 2 records');
  await shown('Different from version 1');
  expect(screen.queryByText('Taxa')).toBeNull();
  await choose('Look at', '2 · 1 Feb 2026');
  await shown(`${first.name}: name: ${first.name} → Petralda nova`);
  expect(screen.queryByText('One cell')).toBeNull();
});

it('says who looked a version over before it was published, and of which nobody is known to have', async () => {
  versions[0] = { ...versions[0], reviewed: { by: 'ann', at: '2026-02-27T10:00:00Z', words: 'The claws are right now.' } };
  await open();
  await shown('Version 3 was reviewed by ann, 27 Feb 2026, and found fit: The claws are right now.');
  await choose('Look at', '2 · 1 Feb 2026');
  await shown('Nobody but those who wrote it is known to have looked version 2 over.');
});

it('the only version is held against nothing, and no names are tried', async () => {
  versions = versions.slice(2);
  await open();
  await shown('One version');
  expect(screen.queryByText('Names given so far')).toBeNull();
});

const changed = (n: number): NamesTried['changed'][number] => ({
  ...{ id: `0192f3a0-0000-7001-8000-00000000000${n}`, label: `K-${n}`, version: 1, left: n === 2 ? ['Granules'] : [] },
  ...{ then: { name: 'Petralda murica', p: 0.97 }, now: { name: 'Not yet named' } },
});

it('names given so far are tried some at a time, and those that would change stand below', async () => {
  pages = [
    { total: 80, tried: 50, changed: [changed(1)], next: changed(1).id },
    { total: 80, tried: 30, changed: [changed(2)], next: null },
  ];
  await open();
  await shown('Names given so far');
  await press('Try them: the records, on version 3');
  await shown('2 of 80 would change.');
  screen.getByText('K-1');
  expect(screen.getAllByText('Petralda murica → Not yet named')).toHaveLength(2);
  screen.getByText(/what was read of Granules counts no more/);
  const asked = mockStation.asked.filter(({ name }) => name === 'tryNames');
  expect(asked.map(({ given }) => (given as { query: object }).query)).toEqual([{ after: undefined }, { after: changed(1).id }]);
});

it('a trial that fails says so and is begun again', async () => {
  mockStation.answer('tryNames', () => {
    throw new Error('gone');
  });
  await open();
  await shown('Names given so far');
  await press('Try them: the records, on version 3');
  await shown('That did not work');
  mockStation.answer('tryNames', () => ({ total: 0, tried: 0, changed: [], next: null }));
  await press('Try them again: the records, on version 3');
  await shown('No record was named with another version.');
});
