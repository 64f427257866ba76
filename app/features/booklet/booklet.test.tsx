import { screen } from '@testing-library/react-native';
import { press, showScreen, shown } from '../../test/showScreen';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { BookletCard } from './BookletCard';

let mockStation: FakeStation;
jest.mock('../../lib/api', () => ({ api: (name: string, given: object) => mockStation.api(name, given) }));

const job = '0192f3a0-0000-7001-8000-000000000001';
let state: object;
beforeEach(() => {
  mockStation = fakeStation();
  state = { jobId: job, state: 'running', progress: 0.25 };
  mockStation.answer('printGuide', () => ({ jobId: job }));
  mockStation.answer('job', () => state);
  mockStation.answer('cancelJob', () => (state = { jobId: job, state: 'cancelled', progress: 0.25 }));
});

it('is printed with its progress in sight, and then lies ready', async () => {
  await showScreen(<BookletCard id="g" />);
  await press('Print a booklet');
  await shown('Printing, 25 in 100 done');
  state = { jobId: job, state: 'done', progress: 1, result: { booklet: job, bytes: 1000 } };
  await shown('Print it again');
  screen.getByLabelText('Download the booklet');
});

it('is stopped, and what went wrong is said', async () => {
  await showScreen(<BookletCard id="g" />);
  await press('Print a booklet');
  await shown('Printing, 25 in 100 done');
  await press('Stop');
  await shown('Stopped; nothing was printed.');
  const other = job.replace(/1$/, '2');
  mockStation.answer('printGuide', () => ({ jobId: other }));
  state = { jobId: other, state: 'failed', progress: 0, problem: { code: 'x', message: 'It has no forms.' } };
  await press('Print a booklet');
  await shown('It has no forms.');
});
