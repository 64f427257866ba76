import type { ImportTried } from '@plesion/contract';
import { terns } from '@plesion/demo';
import { fireEvent, render, screen, within } from '@testing-library/react-native';
import { ImportColumns } from './ImportColumns';
import { ImportLines } from './ImportLines';
import { ImportWords } from './ImportWords';
import { offsetNow } from './useImport';

jest.mock('../../lib/sendFile', () => ({ sendFile: jest.fn() }));

const TRIED: ImportTried = {
  id: '0192f3a0-0000-7001-8000-000000000001',
  source: '0192f3a0-0000-7001-8000-000000000001',
  file: 'old.csv',
  how: {},
  encoding: 'utf-8',
  columns: [
    { column: 'Ring', examples: ['H 1'] },
    { column: 'Wing', examples: ['271', '269'] },
    { column: 'Moult', examples: [] },
  ],
  rows: 9,
  sites: 0,
  visits: 2,
  captures: 5,
  there: 0,
  leftOut: 0,
  wrongLines: 4,
  problems: [
    { line: 2, code: 'no-licence', message: 'Line 2: no licence is on file.', field: 'stands' },
    { line: 3, code: 'no-licence', message: 'Line 3: no licence is on file.', field: 'stands' },
    { line: 3, code: 'bad-number', message: 'Line 3: “x” is no number.', column: 'Wing', cell: 'x' },
    { line: 4, code: 'unknown-sex', message: 'Line 4: a sex is male, female or unknown.', of: 'sex', column: 'Sex', cell: 'hen' },
  ],
  words: [],
  sample: [],
  notUnderstood: [],
};

describe('columns', () => {
  const columns = [
    { column: 'Ring', to: 'ring' as const },
    { column: 'Wing', to: 'mass' as const },
  ];
  it('show what stands in them and what they say; each thing is said by one', () => {
    const change = jest.fn();
    render(<ImportColumns tried={TRIED} columns={columns} guide={terns} onChange={change} />);
    expect(screen.getByText('2 of 3 are read')).toBeTruthy();
    expect(screen.getByText('271 · 269')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Moult is: left out'));
    fireEvent.press(within(screen.getByLabelText('What “Moult” says')).getByLabelText('ring'));
    expect(change).toHaveBeenCalledWith([
      { column: 'Wing', to: 'mass' },
      { column: 'Moult', to: 'ring' },
    ]);
    fireEvent.press(screen.getByLabelText('Wing is: weight in g'));
    fireEvent.press(screen.getByLabelText(/^Wing chord/));
    expect(change).toHaveBeenLastCalledWith([
      { column: 'Ring', to: 'ring' },
      { column: 'Wing', to: 'reading:wing-chord' },
    ]);
  });
});

describe('lines with something wrong', () => {
  it('stand together where the same is wrong, and are left out together', () => {
    const change = jest.fn();
    const { rerender } = render(<ImportLines tried={TRIED} how={{}} onChange={change} />);
    expect(screen.getByText('No licence is on file.')).toBeTruthy();
    expect(screen.getByText('line 3 · Wing: “x”')).toBeTruthy();
    expect(screen.queryByText(/A sex is/)).toBeNull();
    fireEvent.press(screen.getByLabelText('Leave out: lines 2, 3'));
    expect(change).toHaveBeenLastCalledWith({ leaveOut: [2, 3] });
    rerender(<ImportLines tried={TRIED} how={{ leaveOut: [2, 3] }} onChange={change} />);
    fireEvent.press(screen.getByLabelText('Left out: lines 2, 3'));
    expect(change).toHaveBeenLastCalledWith({ leaveOut: [] });
    fireEvent.press(screen.getByLabelText('are left out, all of them'));
    expect(change).toHaveBeenLastCalledWith({ leaveWrong: true });
    fireEvent.changeText(screen.getByLabelText(/^Why what a rule/), 'so it was');
    expect(change).toHaveBeenLastCalledWith({ stands: 'so it was' });
  });
});

describe('words', () => {
  it('are said once for all their lines, and may be forgotten', () => {
    const change = jest.fn();
    const words: ImportTried['words'] = [
      { of: 'sex', from: 'hen', n: 7 },
      { of: 'kind', from: 'Halistris sodali', n: 1, suggest: 'Halistris sodalis' },
    ];
    const said = [{ of: 'age' as const, from: 'ad', to: 'AHY' }];
    render(<ImportWords words={words} said={said} guide={terns} families={[]} onChange={change} />);
    expect(screen.getByText('sex · 7 lines')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('female'));
    expect(change).toHaveBeenLastCalledWith([...said, { of: 'sex', from: 'hen', to: 'female' }]);
    fireEvent.press(screen.getByLabelText('no kind of the guide: as it is written'));
    expect(change).toHaveBeenLastCalledWith([...said, { of: 'kind', from: 'Halistris sodali', to: 'Halistris sodali' }]);
    fireEvent.press(screen.getByLabelText('Forget what ad means'));
    expect(change).toHaveBeenLastCalledWith([]);
  });
});

it.each([
  [60, '+01:00'],
  [-210, '-03:30'],
  [0, '+00:00'],
])('%d minutes from UTC are %s', (minutes, offset) => {
  expect(offsetNow(minutes)).toBe(offset);
});
