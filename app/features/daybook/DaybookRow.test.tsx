import type { SpecimenRow } from '@plesion/contract';
import { ledgeCrabs } from '@plesion/demo';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react-native';
import { DaybookRow } from './DaybookRow';

const mockLinks: string[] = [];
jest.mock('expo-router', () => ({
  Link: ({ href, children }: { href: string; children: unknown }) => {
    mockLinks.push(href);
    return children;
  },
}));

const row: SpecimenRow = {
  id: 's1',
  version: 1,
  guideId: 'g1',
  label: 'L4-01',
  place: 'Skerry Bar',
  date: '2026-05-12',
  named: true,
  hidden: false,
  summary: {
    name: 'Petralda murica',
    qualifier: 'none',
    taxon: 'murica',
    facets: { sex: 'female', stage: 'adult' },
    p: 0.97,
    leadingForm: 'murica/adult.female.plain',
    text: '',
  },
  readings: 4,
  traits: { 'ground-colour': 'cream' },
  initials: 'IV',
  updatedAt: '2026-05-12T10:00:00Z',
};

function show(given: Partial<SpecimenRow>) {
  mockLinks.length = 0;
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY } } });
  client.setQueryData(['guide', 'g1'], { guide: ledgeCrabs });
  render(
    <QueryClientProvider client={client}>
      <DaybookRow row={{ ...row, ...given }} />
    </QueryClientProvider>,
  );
}

describe('a line of the daybook', () => {
  it('tells name, how sure, age and sex, place and label, and leads to the specimen', () => {
    show({});
    expect(screen.getByText('Petralda murica')).toBeTruthy();
    expect(screen.getByText('97 in 100 · adult female')).toBeTruthy();
    expect(screen.getByText('Skerry Bar · L4-01')).toBeTruthy();
    expect(screen.queryByText('open')).toBeNull();
    expect(mockLinks).toEqual(['/specimens/s1']);
    for (const part of [/murica/, /adult female/, /97 in 100/, /Skerry Bar/, /L4-01/])
      expect(screen.getByText(part)).toBeTruthy();
  });

  it('says what is still open and leads to the Bench', () => {
    show({
      named: false,
      summary: { ...row.summary, name: 'Not yet named', qualifier: 'unknown', facets: {}, text: 'Not yet a name.' },
    });
    expect(screen.getByText('Not yet named')).toBeTruthy();
    expect(screen.getByText('open')).toBeTruthy();
    expect(screen.getByText('Not yet a name.')).toBeTruthy();
    expect(mockLinks).toEqual(['/specimens/s1/bench']);
  });

  it('shows a photo in place of the plate', () => {
    show({ photo: 'a'.repeat(64) });
    const images = screen.UNSAFE_root.findAll(
      (node) => (node.props as { source?: { uri?: string } }).source?.uri?.endsWith('?size=thumb') ?? false,
    );
    expect(images.length).toBeGreaterThan(0);
  });

  it('says so where there is no place', () => {
    show({ place: undefined, label: '' });
    expect(screen.getByText('no place yet')).toBeTruthy();
  });
});
