import { tentCones } from '@plesion/demo';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { JudgingSheet } from '../book/JudgingSheet';

const mockApi = jest.fn();
jest.mock('../../lib/api', () => ({ api: (...given: unknown[]) => mockApi(...given) }));

let mockTaken: object | undefined;
jest.mock('../sharing/useSharing', () => ({ useSharing: () => ({ taken: mockTaken }) }));
afterEach(() => {
  mockTaken = undefined;
});

describe('how names are called', () => {
  const show = (guide = tentCones) => {
    render(
      <QueryClientProvider client={new QueryClient()}>
        <JudgingSheet id="c" guide={guide} version={3} />
      </QueryClientProvider>,
    );
  };

  it('explains the school, the cost of mistakes, the treatments and the disagreements', () => {
    show();
    expect(screen.getByText(/A name needs 95 in 100, 3 independent characters, and must hold at 80 in 100/)).toBeTruthy();
    expect(screen.getByText('To miss Turbiconus vexillax counts 25 times: its sting is dangerous.')).toBeTruthy();
    expect(screen.getByText(/Sinks both into Turbiconus annulax/)).toBeTruthy();
    expect(screen.getByText(/contradict each other in \d+ places?/)).toBeTruthy();
  });

  it('is for those who wrote it to choose, where the guide was imported from another station', () => {
    mockTaken = {};
    show();
    expect(screen.getByText('weigh all characters, as those who wrote it set it.')).toBeTruthy();
    expect(screen.queryByText(/Changing it makes a new version/)).toBeNull();
    expect(screen.queryByLabelText('one diagnostic character')).toBeNull();
  });

  it('is chosen per guide: another school is a new version of it', async () => {
    mockApi.mockResolvedValue({ id: 'c', guide: tentCones });
    show();
    await act(async () => fireEvent.press(screen.getByLabelText('one diagnostic character')));
    const [name, { params, body }] = mockApi.mock.calls[0];
    expect([name, params.id, body.version]).toEqual(['writeGuide', 'c', 3]);
    expect(body.guide.settings.call.school).toBe('diagnostic');
    expect({ ...body.guide, settings: tentCones.settings }).toEqual(tentCones);
    mockApi.mockClear();
    await act(async () => fireEvent.press(screen.getByLabelText('weigh all characters')));
    expect(mockApi).not.toHaveBeenCalled();
  });
});
