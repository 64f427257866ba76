import type { Measurement } from '@plesion/contract';
import type { Character, Protocol } from '@plesion/core/guide';
import { ledgeCrabs } from '@plesion/demo';
import { render, screen, waitFor } from '@testing-library/react-native';
import { HowWell } from './HowWell';

let mockAll: Measurement[] = [];
jest.mock('../records/useMeasurements', () => ({
  useMeasurementsOf: () => ({ data: { measurements: mockAll }, error: null }),
}));

const character = ledgeCrabs.characters.find(({ id }) => id === 'width-ratio') as Character & { protocol: Protocol };
const [left, right, front, rear] = character.protocol.landmarks.map(({ id }) => id);
const set = (width: number) =>
  ({ [left]: [0, 50], [right]: [width, 50], [front]: [50, 0], [rear]: [50, 100] }) as Measurement['sets'][0];
const photo = (n: number) => String(n).padStart(64, 'a');

const taken = (n: number, by: string, ...widths: number[]): Measurement => ({
  id: `${by} ${n}`,
  version: 1,
  specimenId: `specimen ${n}`,
  photo: photo(n),
  character: character.id,
  protocol: character.protocol,
  sets: widths.map(set),
  hidden: false,
  by,
  pointing: { sd: 2 },
  value: { value: widths[0] / 100, sd: 0.01, unit: '', interval: [0, 2], n: widths.length },
  createdAt: '2026-05-12T10:00:00Z',
  updatedAt: '2026-05-12T10:00:00Z',
});
const own = (value: number) => ({ quantity: 'q', value, sd: 0.01, unit: '', interval: [0, 2] as [number, number], n: 1 });

describe('how well a character is measured', () => {
  it('says each person’s technical error and repeatability, how two agree, and shows the repeats', async () => {
    mockAll = [110, 130, 150].flatMap((width, n) => [taken(n, 'ann', width, width + 2, width - 2), taken(n, 'ben', width + 4)]);
    render(<HowWell character={character} photo={photo(9)} by="ann" />);
    expect(screen.getByText(/^ann: technical error 0\.02 .* 9 measurements of 3 things\.$/)).toBeTruthy();
    expect(screen.queryByText(/^ben: technical/)).toBeNull();
    expect(screen.getByText(/^ann less ben: -0\.04/)).toBeTruthy();
    await waitFor(() => screen.getByLabelText(/^Repeats about their mean: -0\.020 to 0\.020 \(3\)/));
  });

  it('puts one’s own value beside what others found on the same photo', () => {
    mockAll = [taken(1, 'ben', 130), taken(1, 'ann', 150)];
    render(<HowWell character={character} photo={photo(1)} value={own(1.2)} by="ann" />);
    expect(
      screen.getByText('ben found 1.3 ± 0.01 on this photo: yours differs by −0.1, more than measuring error.'),
    ).toBeTruthy();
    expect(screen.queryByText(/^ann found/)).toBeNull();
    screen.rerender(<HowWell character={character} photo={photo(1)} value={own(1.31)} by="ann" />);
    expect(screen.getByText(/differs by \+0\.01, no more than measuring error\.$/)).toBeTruthy();
  });

  it('says what to do where nothing was measured twice', () => {
    mockAll = [];
    render(<HowWell character={character} photo={photo(1)} by="ann" />);
    expect(screen.getByText(/^Measure two things twice or more, blind/)).toBeTruthy();
  });
});
