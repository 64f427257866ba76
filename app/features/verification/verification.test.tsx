import { RequestProblem } from '@plesion/contract';
import { LARGEST_ATTACHMENT, type Verification } from '@plesion/contract/verifications';
import type { Judged } from '@plesion/core/verification';
import { ledgeCrabs } from '@plesion/demo';
import { act, screen, waitFor } from '@testing-library/react-native';
import { forgetForms } from '../../lib/keptForm';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown, type } from '../../test/showScreen';
import { VerificationSheet } from './VerificationSheet';

let mockStation: FakeStation;
let mockRole = 'member';
let mockFile: File | undefined;
const mockDownload = jest.fn();
jest.mock('../../lib/files', () => ({ pickFile: () => Promise.resolve(mockFile) }));
jest.mock('../../lib/download', () => ({ download: (url: string) => mockDownload(url) as unknown }));
jest.mock('../../lib/api', () => ({ api: (name: string, given: object) => mockStation.api(name, given) }));
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ account: { name: 'mira', role: mockRole }, station: { id: 's' } }),
}));

jest.mock('expo-router', () => ({ Link: ({ children }: { children: object }) => children }));

const ID = '0192f3a0-0000-7001-8000-0000000000d1';
let all: Verification[];
const sent = (name: string) => mockStation.asked.filter((one) => one.name === name).map(({ given }) => given);
const called = (id: string) => ledgeCrabs.taxa.find((taxon) => taxon.id === id)!.vernacular!;
const misled: Judged = {
  ...{
    determination: 'd',
    called: { taxon: 'murica', facets: { sex: 'male' } },
    by: 'tolmar',
    at: '2026-05-01T10:00:00Z',
    p: 0.96,
  },
  ...{ right: false, margin: 2.25, misled: 'Granules: dense, in 8 of ten of the one, in 3 of ten of the other.' },
  marks: [
    { reading: { character: 'granules', states: ['dense'] }, bits: -1.4 },
    { reading: { character: 'carapace-width', value: 33 }, bits: 0.31 },
  ],
  told: { character: 'claw-gape', read: false, text: 'Claw gape: gaping, in 1 of ten of the one.' },
};
let judged: Judged | undefined;

beforeEach(() => {
  forgetForms();
  mockRole = 'member';
  all = [];
  judged = undefined;
  mockStation = fakeStation();
  mockStation.answer('verifications', () => ({ verifications: all, judged }));
  mockStation.answer('verify', ({ body }) => {
    const one = { ...(body as object), by: 'mira', at: '2026-05-12T10:00:00Z' } as Verification;
    all = [one, ...all];
    judged = misled;
    return one;
  });
  mockStation.answer('withdrawVerification', ({ params }) => {
    judged = undefined;
    all = all.map((one) => (one.id === params!.id ? { ...one, withdrawnBy: 'mira' } : one));
    return all[0];
  });
});
const open = () => showScreen(<VerificationSheet of={{ specimenId: ID }} guide={ledgeCrabs} />);

it('a file that shows it is sent as it is chosen, stays over a reload, goes with the word, and is downloaded by its name', async () => {
  const file = { hash: 'a'.repeat(64), name: 'gel 4.pdf' };
  mockStation.answer('addAttachment', () => ({ hash: file.hash, bytes: 3 }));
  await open();
  await shown('Say how it turned out');
  await press('Say how it turned out');
  await shown('A file that shows it');
  mockFile = undefined;
  await press('A file that shows it: a report, a table, a sound');
  expect(sent('addAttachment')).toEqual([]);
  mockFile = { name: 'film', size: LARGEST_ATTACHMENT + 1 } as File;
  await press('A file that shows it: a report, a table, a sound');
  await shown('It is larger than 10 MB. Choose a smaller one.');
  expect(sent('addAttachment')).toEqual([]);
  mockFile = new File(['gel'], file.name);
  await press('A file that shows it: a report, a table, a sound');
  await shown(file.name);
  await act(async () => screen.unmount());
  await open();
  await shown('Say how it turned out');
  await press('Say how it turned out');
  await shown(file.name);
  await press('dissection');
  await press(called('velloma'));
  await press('Save how it turned out');
  await waitFor(() => expect(sent('verify')).toMatchObject([{ body: { file } }]));
  await press('gel 4.pdf: download it');
  expect(mockDownload).toHaveBeenCalledWith(`/api/attachments/${file.hash}?name=gel+4.pdf`);
});

it('a file that was chosen is taken away again, and one with a long name keeps its ending', async () => {
  mockStation.answer('addAttachment', () => ({ hash: 'b'.repeat(64), bytes: 3 }));
  mockFile = new File(['gel'], `${'long '.repeat(40)}.pdf`);
  await open();
  await shown('Say how it turned out');
  await press('Say how it turned out');
  await shown('A file that shows it');
  await press('A file that shows it: a report, a table, a sound');
  const shortened = await screen.findByText(/^….*\.pdf$/);
  expect((shortened.props as { children: string }).children).toHaveLength(120);
  await press('Remove the file');
  await press('dissection');
  await press(called('velloma'));
  await press('Save how it turned out');
  await waitFor(() => expect(sent('verify')).toHaveLength(1));
  expect((sent('verify')[0] as { body: object }).body).not.toHaveProperty('file');
});

it('how it turned out is said with what it is known by, and overturns what it was called', async () => {
  await open();
  await shown(/^Not known yet/);
  await press('Say how it turned out');
  await press('Save how it turned out');
  await shown('Say what it turned out to be.');
  await press('dissection');
  await press(called('velloma'));
  await type('Note', 'both gonads seen');
  await press('Save how it turned out');
  await waitFor(() =>
    expect(sent('verify')).toMatchObject([
      { body: { specimenId: ID, kind: 'dissection', taxon: 'velloma', wrong: 0.005, note: 'both gonads seen', sameCall: false } },
    ]),
  );
  await shown('It was called Petralda murica, male, by tolmar, at 96 in 100.');
  screen.getByText('What misled: Granules: dense, in 8 of ten of the one, in 3 of ten of the other.');
  screen.getByText('What would have told: Claw gape: gaping, in 1 of ten of the one.');
  await press('What each reading was worth');
  screen.getByText('−1.4');
  screen.getByText('+0.3');
  screen.getByText(/2\.3 bits stood for what it was called/);
  screen.getByText(/by dissection/);
  screen.getByText('both gonads seen');
  await press('Withdraw: dissection');
  await shown('Withdrawn by mira: it counts no more.');
  expect(screen.queryByText(/^It was called/)).toBeNull();
});

it('what rests on the same call never counts, and a call that was right is not held up', async () => {
  const one = {
    ...{ id: ID, specimenId: ID, kind: 'expert', taxon: 'murica', wrong: 0.05, on: '2026-05-12', by: 'tolmar' },
    at: '2026-05-12T10:00:00Z',
  } as Verification;
  all = [{ ...one, facets: { sex: 'female' }, sameCall: true }];
  await open();
  await shown('It rests on the same call, and never counts.');
  all = [{ ...one, facets: { sex: 'male' }, sameCall: false }];
  judged = { ...misled, right: true, misled: undefined };
  await open();
  await shown(/^It is itself wrong in 5 in 100/);
  expect(screen.queryByText(/^It was called/)).toBeNull();
});

it('is filled in again after a reload, says what the server refuses, and is not a learner’s', async () => {
  await open();
  await shown(/^Not known yet/);
  await press('Say how it turned out');
  await type('Note', 'half a note');
  await open();
  await shown(/^Not known yet/);
  await press('Say how it turned out');
  expect(screen.getByLabelText('Note').props.value).toBe('half a note');
  await press(called('murica'));
  await type('When it was known', '2026-13-01');
  await press('Save how it turned out');
  await shown(/write the date as YYYY-MM-DD/);
  await type('When it was known', '2026-05-12');
  mockStation.answer('verify', () => {
    throw new RequestProblem(400, { code: 'unknown-taxon', message: 'There is no such taxon.', field: 'taxon' });
  });
  await press('Save how it turned out');
  await shown('There is no such taxon.');
  mockRole = 'learner';
  await open();
  await shown(/^Not known yet/);
  expect(screen.queryByText('Say how it turned out')).toBeNull();
});
