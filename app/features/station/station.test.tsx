import { RequestProblem, type StationView } from '@plesion/contract';
import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { pickFile } from '../../lib/files';
import { sendFile } from '../../lib/sendFile';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown } from '../../test/showScreen';
import { ArchiveCard } from './ArchiveCard';
import { sayContent } from './content';
import { sayBytes, sayCount } from './sizes';
import { GridCard } from './GridCard';
import { StationCard } from './StationCard';

let mockStation: FakeStation;
jest.mock('../../lib/api', () => ({ api: (name: string, given: object) => mockStation.api(name, given) }));
jest.mock('../../lib/files', () => ({ pickFile: jest.fn() }));
jest.mock('../../lib/sendFile', () => ({ sendFile: jest.fn() }));

const MAKING = '0192f3a0-0000-7006-8000-000000000001';
const READING = '0192f3a0-0000-7006-8000-000000000002';
const CONTENT = {
  measurements: 0,
  visits: 0,
  captures: 0,
  counts: 0,
  specimens: 1234,
  individuals: 0,
  lots: 1,
  guides: 6,
  keys: 5,
  photos: 2,
  changes: 90,
};
const use = (used: number, most: number) => ({ used, most });
let view: StationView;
let jobs: Record<string, object>;

beforeEach(() => {
  view = {
    name: 'Quell',
    since: '2026-05-12T10:00:00Z',
    use: { specimens: use(1234, 200_000), guides: use(6, 500), keys: use(480, 500), photos: use(3 * 1024 ** 2, 10 * 1024 ** 3) },
    grid: 0.1,
    fresh: false,
  };
  jobs = {};
  mockStation = fakeStation();
  mockStation.answer('station', () => view);
  mockStation.answer('exportStation', () => ({ jobId: MAKING }));
  mockStation.answer('job', ({ params }) => jobs[params!.id]);
  mockStation.answer('cancelJob', ({ params }) => (jobs[params!.id] = { jobId: params!.id, state: 'cancelled', progress: 0.4 }));
});
const done = (jobId: string, result: object) => ({ jobId, state: 'done', progress: 1, result });
const running = (jobId: string) => ({ jobId, state: 'running', progress: 0.4 });

it('sets the grid that guarded places are told by; what is refused is said, and the grid stays', async () => {
  mockStation.answer('setStation', ({ body }) => (view = { ...view, ...(body as { grid: number }) }));
  await showScreen(<GridCard />);
  await shown('Places of guarded kinds');
  screen.getByRole('radio', { name: '0.1°, 11 km', checked: true });
  await press('0.5°, 56 km');
  await waitFor(() => screen.getByRole('radio', { name: '0.5°, 56 km', checked: true }));
  expect(view.grid).toBe(0.5);
  mockStation.answer('setStation', () => {
    throw new RequestProblem(403, { code: 'read-only', message: 'This token may only read.' });
  });
  await press('1°, 111 km');
  await shown('This token may only read.');
  screen.getByRole('radio', { name: '0.5°, 56 km', checked: true });
});

describe('what a station holds', () => {
  it('is told of each kind, also where room runs out', async () => {
    await showScreen(<StationCard />);
    await shown('Specimens');
    for (const words of ['1\u202f234 of 200\u202f000', '3 MB of 10 GB', '6 of 500', '480 of 500, nearly all'])
      expect(screen.getByText(words)).toBeTruthy();
    expect(screen.getByText('Begun on 12 May 2026. What is hidden counts too: it is kept.')).toBeTruthy();
  });

  it('that cannot be fetched says so', async () => {
    mockStation.answer('station', () => {
      throw new RequestProblem(0, { code: 'offline', message: 'The station’s server cannot be reached.' });
    });
    await showScreen(<StationCard />);
    await shown('No connection');
  });
});

describe('an archive', () => {
  it('is made, stopped, made again and then lies ready', async () => {
    jobs[MAKING] = running(MAKING);
    await showScreen(<ArchiveCard />);
    await press('Export the station');
    await shown('Exporting, 40 in 100 done');
    await press('Stop');
    // The button stands there all along; it can be pressed again once the work has stopped.
    await waitFor(() => expect(screen.queryByText('Exporting, 40 in 100 done')).toBeNull());
    mockStation.answer('exportStation', () => ({ jobId: READING }));
    jobs[READING] = done(READING, { archive: MAKING, bytes: 5 * 1024 ** 2, content: CONTENT });
    await press('Export the station');
    await shown('An archive of 5 MB lies ready for a day');
    expect(screen.getByText('1\u202f234 specimens, 2 photos, 1 lot, 6 guides, 5 keys')).toBeTruthy();
  });

  it('that was made before is still there', async () => {
    view.making = MAKING;
    jobs[MAKING] = done(MAKING, { archive: MAKING, bytes: 2048, content: CONTENT });
    await showScreen(<ArchiveCard />);
    await shown('An archive of 2 kB lies ready for a day');
    expect(screen.getByLabelText('Download the archive')).toBeTruthy();
  });

  it('is not read into a station that was written in', async () => {
    await showScreen(<ArchiveCard />);
    await shown(/make a new station first/);
    expect(screen.queryByText('Choose an archive')).toBeNull();
  });
});

describe('reading an archive in', () => {
  const file = new File(['zip'], 'station.zip');
  beforeEach(() => {
    view.fresh = true;
    jest.mocked(pickFile).mockResolvedValue(file);
  });

  it('says how far it is, and what came in', async () => {
    let arrive!: (answer: object) => void;
    jest.mocked(sendFile).mockImplementation((_url, _form, onProgress) => {
      onProgress(0.25);
      return new Promise((resolve) => (arrive = resolve));
    });
    jobs[READING] = running(READING);
    await showScreen(<ArchiveCard />);
    await shown('Choose an archive');
    await press('Choose an archive');
    await shown('Uploading, 25 in 100 done');
    expect(jest.mocked(sendFile).mock.lastCall!.slice(0, 2)).toEqual(['/api/station/archives/read', { archive: file }]);
    await act(async () => arrive({ jobId: READING }));
    await shown('Importing, 40 in 100 done');
    jobs[READING] = done(READING, { from: 'Skerry hut', at: '2026-05-12T10:00:00Z', content: CONTENT });
    await shown('Imported: Skerry hut');
  });

  it('is stopped while it is sent', async () => {
    jest
      .mocked(sendFile)
      .mockImplementation(
        (_url, _form, _onProgress, signal) =>
          new Promise((_, reject) =>
            signal.addEventListener('abort', () =>
              reject(new RequestProblem(499, { code: 'stopped', message: 'Stopped. Nothing was sent.' })),
            ),
          ),
      );
    await showScreen(<ArchiveCard />);
    await shown('Choose an archive');
    await press('Choose an archive');
    await shown('Uploading, 0 in 100 done');
    await act(async () => fireEvent.press(screen.getByText('Stop')));
    await shown('Stopped. Nothing was imported.');
    expect(screen.getByText('Choose an archive')).toBeTruthy();
  });

  it('that is refused says why, and can be tried again', async () => {
    jest.mocked(sendFile).mockResolvedValue({ jobId: READING });
    jobs[READING] = { jobId: READING, state: 'failed', progress: 0.3, problem: { code: 'no-archive', message: 'This is none.' } };
    await showScreen(<ArchiveCard />);
    await shown('Choose an archive');
    await press('Choose an archive');
    await shown('The archive was not imported');
    expect(screen.getByText('This is none.')).toBeTruthy();
    expect(screen.getByText('Choose an archive')).toBeTruthy();
  });

  it('begun before the page was opened is followed', async () => {
    view.reading = READING;
    jobs[READING] = running(READING);
    await showScreen(<ArchiveCard />);
    await waitFor(() => expect(screen.queryByText('Importing, 40 in 100 done')).toBeTruthy());
  });
});

it.each([
  [0, '0 kB'],
  [1, '1 kB'],
  [1024 * 999, '999 kB'],
  [1024 * 1000, '1 MB'],
  [1024 ** 2 * 1.44, '1.4 MB'],
  [1024 ** 3 * 10, '10 GB'],
])('%d bytes are %s', (bytes, words) => expect(sayBytes(bytes)).toBe(words));

it('says numbers with their thousands apart, and leaves out what there is none of', () => {
  expect([7, 1000, 1234567].map(sayCount)).toEqual(['7', '1\u202f000', '1\u202f234\u202f567']);
  expect(sayContent({ ...CONTENT, specimens: 1, lots: 0, photos: 0 })).toBe('1 specimen, 6 guides, 5 keys');
});
