import { compileGuide } from '@plesion/core/guide';
import type { VerifiedPhoto } from '@plesion/core/practice';
import { terns } from '@plesion/demo';
import { screen } from '@testing-library/react-native';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { showScreen, shown } from '../../test/showScreen';
import { Gallery } from './Gallery';

let mockStation: FakeStation;
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('expo-router', () => ({ Link: ({ children }: { children: object }) => children }));

const compiled = compileGuide(terns);
const form = compiled.forms.findIndex(({ id }) => id === 'sodalis/adult.breeding');
const photo = (n: number, more: Partial<VerifiedPhoto> = {}): VerifiedPhoto => ({
  ...{ specimenId: `s${n}`, hash: String(n).repeat(64), taxon: 'sodalis', facets: {}, kind: 'recapture', wrong: 0.02 },
  ...more,
});

let photos: VerifiedPhoto[];
beforeEach(() => {
  mockStation = fakeStation();
  mockStation.answer('practicePhotos', () => ({ photos }));
});

it('shows the photographs of a form, by the view they show, and none of another', async () => {
  photos = [
    photo(1),
    photo(2, { view: 'perched', facets: { stage: 'adult' } }),
    photo(3, { view: 'perched', facets: { stage: 'juvenile' } }),
    photo(4, { taxon: 'consors', view: 'perched' }),
  ];
  await showScreen(<Gallery id="g" compiled={compiled} form={form} />);
  await shown('Photographs of our own');
  screen.getByText('view not said');
  const { label } = terns.views.find(({ id }) => id === 'perched')!;
  screen.getByLabelText(`${label}: adult, known by being met again when older`);
  screen.getByText('2');
});

it('is not there where there are none', async () => {
  photos = [photo(4, { taxon: 'consors' })];
  await showScreen(<Gallery id="g" compiled={compiled} form={form} />);
  expect(screen.queryByText('Photographs of our own')).toBeNull();
});
