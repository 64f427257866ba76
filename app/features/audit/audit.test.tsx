import { RequestProblem } from '@plesion/contract';
import { screen, waitFor } from '@testing-library/react-native';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown } from '../../test/showScreen';
import { AuditScreen } from './AuditScreen';

let mockStation: FakeStation;
const mockDownload = jest.fn();
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../../lib/download', () => ({ download: (url: string) => mockDownload(url) }));
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));
jest.mock('expo-router', () => ({ Link: ({ children }: { children: object }) => children }));

const ID = '0192f3a0-0000-7001-8000-0000000000d1';
const line = (more: object) => ({
  at: '2026-05-12T10:00:00.000001Z',
  by: 'mira',
  act: 'made',
  kind: 'specimen',
  id: ID,
  fields: [],
  ...more,
});
const queries = () => mockStation.asked.filter(({ name }) => name === 'audit').map(({ given }) => given.query);

beforeEach(() => {
  mockStation = fakeStation();
  mockStation.answer('audit', ({ query }) => ({
    people: ['mira', 'tolmar'],
    lines:
      query?.by === 'tolmar'
        ? []
        : [
            query?.after
              ? line({ version: 1 })
              : line({ act: 'changed', version: 2, fields: ['label', 'guideId', 'determinations'] }),
          ],
    ...(query?.after || query?.by ? {} : { next: 'onward' }),
  }));
});

it('tells the newest, and the earlier ones when they are asked for', async () => {
  await showScreen(<AuditScreen />);
  await shown('changed: specimen');
  screen.getByText(/^mira, 12 May 2026, .* · version 2 · label, guide, names$/);
  await press('Show earlier ones');
  await shown('made: specimen');
  expect(queries().at(-1)).toEqual({ after: 'onward' });
  expect(screen.queryByText('Show earlier ones')).toBeNull();
});

it('is narrowed by person and kind, and taken along as it is shown', async () => {
  await showScreen(<AuditScreen />);
  await shown('changed: specimen');
  await press('tolmar');
  await shown('Nothing was done');
  await waitFor(() => expect(queries().at(-1)).toMatchObject({ by: 'tolmar' }));
  await press('As CSV: download these lines');
  expect(mockDownload).toHaveBeenCalledWith(expect.stringMatching(/^\/api\/audit\.csv\?.*by=tolmar/));
});

describe('what a record held', () => {
  const state = {
    version: 3,
    then: { label: 'L4-01', hidden: false, readings: [{ character: 'granules', states: ['dense'] }] },
    now: { label: 'L4-02', hidden: false, readings: [] },
  };
  const open = async () => {
    await showScreen(<AuditScreen />);
    await shown('changed: specimen');
    await press('As it was then');
  };

  it('is shown beside what it holds now, and put back in one press', async () => {
    let now: object = state;
    mockStation.answer('earlier', () => now);
    mockStation.answer('putBack', () => {
      now = { ...state, version: 4, now: state.then };
      return { version: 4 };
    });
    await open();
    await shown('then “L4-01”; now “L4-02”');
    screen.getByText('readings › granules › states');
    screen.getByText('then “dense”; now nothing');
    screen.getByText(/names it was given since stay/);
    await press('Restore this state');
    await shown('It holds the same again.');
    const sent = mockStation.asked.filter(({ name }) => name === 'putBack').map(({ given }) => given);
    expect(sent).toEqual([{ params: { kind: 'specimen', id: ID, version: 2 }, body: { version: 3 } }]);
  });

  it('that was not kept, or was changed meanwhile, is said in words', async () => {
    mockStation.answer('earlier', () => {
      throw new RequestProblem(404, { code: 'not-found', message: 'There is no such version.' });
    });
    await open();
    await shown(/was not kept/);
    await press('Close');
    await waitFor(() => expect(screen.queryByText(/was not kept/)).toBeNull());
  });

  it('is not put back over what changed meanwhile', async () => {
    mockStation.answer('earlier', () => state);
    mockStation.answer('putBack', () => {
      throw new RequestProblem(409, { code: 'stale-version', message: 'It was changed meanwhile.' });
    });
    await open();
    await shown('Restore this state');
    await press('Restore this state');
    await shown('It was changed meanwhile.');
  });
});

it('is narrowed to one record, and says from which device', async () => {
  mockStation.answer('audit', () => ({
    people: ['mira'],
    lines: [line({ version: 1, device: 'Computer, signed in 2026-05-12T10:00Z' })],
  }));
  await showScreen(<AuditScreen />);
  await shown(/^Computer, signed in 12 May 2026/);
  await press('Only this record');
  await waitFor(() => expect(queries().at(-1)).toEqual({ record: ID }));
  await shown('Of all records');
});
