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
