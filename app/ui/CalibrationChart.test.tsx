import { render, screen } from '@testing-library/react-native';
import type { ReactElement } from 'react';
import { CalibrationChart } from './CalibrationChart';

interface Drawn {
  data: { labels: string[]; datasets: { data: number[] }[] };
  renderDotContent: (dot: { x: number; y: number; index: number }) => ReactElement<{ children: ReactElement<object>[] }> | null;
}

const mockDrawn = jest.fn<void, [Drawn]>();
jest.mock('react-native-chart-kit', () => ({
  LineChart: (given: Drawn) => {
    mockDrawn(given);
    return null;
  },
}));

const at = (label: string, n: number, stated: number, right: number) => ({ label, n, stated, right });

describe('the calibration chart', () => {
  beforeEach(() => mockDrawn.mockClear());

  it('draws what was said beside what was right, in 100, with where it likely lies, and says it to a screen reader', () => {
    render(<CalibrationChart bins={[at('80–90', 40, 0.86, 0.9), at('90–100', 200, 0.97, 0.95)]} />);
    const [[{ data }]] = mockDrawn.mock.calls;
    expect(data.labels).toEqual(['80–90', '90–100']);
    // Wilson's intervals of 36 of 40 and 190 of 200.
    expect(data.datasets.map((set) => set.data)).toEqual([
      [96, 97],
      [77, 91],
      [90, 95],
      [86, 97],
      [0, 100],
    ]);
    expect(
      screen.getByLabelText(
        'Calibration: said 86, right 90 of 100, likely 77 to 96 (40); said 97, right 95 of 100, likely 91 to 97 (200)',
      ),
    ).toBeTruthy();
  });

  it('draws each interval from its high end to its low one, as often as it is drawn', () => {
    render(<CalibrationChart bins={[at('80–90', 40, 0.86, 0.9), at('90–100', 200, 0.97, 0.95)]} />);
    const [[{ renderDotContent }]] = mockDrawn.mock.calls;
    for (let time = 0; time < 2; time++) {
      const dots = [10, 12, 60, 20, 30, 15].map((y, i) => renderDotContent({ x: 100 * (i % 2), y, index: i % 2 }));
      expect(dots.map((dot) => dot?.props.children[0].props)).toMatchObject([
        ...[undefined, undefined],
        { x1: 0, x2: 0, y1: 10, y2: 60 },
        { x1: 100, x2: 100, y1: 12, y2: 20 },
        ...[undefined, undefined],
      ]);
    }
  });

  it('shows a class of few with its wide interval, leaves out those of none, and is nothing where none is left', () => {
    render(<CalibrationChart bins={[at('50–60', 3, 0.55, 1 / 3), at('60–70', 0, 0, 0), at('90–100', 200, 0.97, 0.95)]} />);
    expect(mockDrawn.mock.calls[0][0].data.datasets[0].data).toEqual([79, 97]);
    mockDrawn.mockClear();
    screen.unmount();
    render(<CalibrationChart bins={[at('60–70', 0, 0, 0)]} />);
    expect(mockDrawn).not.toHaveBeenCalled();
  });
});
