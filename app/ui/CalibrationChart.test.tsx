import { render, screen } from '@testing-library/react-native';
import { CalibrationChart } from './CalibrationChart';

const mockDrawn = jest.fn();
jest.mock('react-native-chart-kit', () => ({
  LineChart: (given: object) => {
    mockDrawn(given);
    return null;
  },
}));

const at = (label: string, n: number, stated: number, right: number) => ({ label, n, stated, right });

describe('the calibration chart', () => {
  beforeEach(() => mockDrawn.mockClear());

  it('draws what was said beside what was right, in 100, and says it to a screen reader', () => {
    render(<CalibrationChart bins={[at('80–90', 40, 0.86, 0.9), at('90–100', 200, 0.97, 0.95)]} />);
    const { data } = mockDrawn.mock.calls[0][0];
    expect(data.labels).toEqual(['80–90', '90–100']);
    expect(data.datasets.map((set: { data: number[] }) => set.data)).toEqual([
      [86, 97],
      [90, 95],
    ]);
    expect(screen.getByLabelText('Calibration: said 86, right 90 of 100 (40); said 97, right 95 of 100 (200)')).toBeTruthy();
  });

  it('leaves out classes of too few, and is nothing where one is left', () => {
    render(<CalibrationChart bins={[at('50–60', 3, 0.55, 0.3), at('90–100', 200, 0.97, 0.95)]} />);
    expect(mockDrawn).not.toHaveBeenCalled();
  });
});
