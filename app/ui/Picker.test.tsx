import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { Picker } from './Picker';

const guides = (n: number) =>
  Array.from({ length: n }, (_, i) => ({ id: `g${i}`, label: `Guide ${i}`, words: i % 2 ? 'crabs' : 'Bög umbels' }));
const find = (text: string) => act(async () => fireEvent.changeText(screen.getByLabelText(/find one of/), text));

describe('a picker', () => {
  it('of few shows all of them, and needs no search', () => {
    render(<Picker label="Guide" items={guides(5)} onChange={jest.fn()} />);
    expect(screen.getAllByRole('radio')).toHaveLength(5);
    expect(screen.queryByLabelText(/find one of/)).toBeNull();
  });

  it('of many shows a screenful, and those that fit what is typed, whatever the accents', async () => {
    render(<Picker label="Guide" items={guides(60)} onChange={jest.fn()} />);
    expect(screen.getAllByRole('radio')).toHaveLength(12);
    expect(screen.getByText('60 fit, 12 are shown: add a letter')).toBeTruthy();
    await find('guide 59');
    expect(screen.getByText('1 fits')).toBeTruthy();
    expect(screen.getByRole('radio', { name: 'Guide 59' })).toBeTruthy();
    await find('BOG 58');
    expect(screen.getByRole('radio', { name: 'Guide 58' })).toBeTruthy();
    await find('whales');
    expect(screen.getByText('None is called so. Try fewer letters.')).toBeTruthy();
  });

  it('keeps what is chosen in sight, and gives it up only where it may', async () => {
    const [onChange, onClear] = [jest.fn(), jest.fn()];
    const { rerender } = render(<Picker label="Guide" items={guides(60)} chosen="g59" onChange={onChange} />);
    await find('guide 7');
    fireEvent.press(screen.getByRole('radio', { name: 'Guide 59' }));
    expect(onChange).toHaveBeenLastCalledWith('g59');
    rerender(<Picker label="Guide" items={guides(60)} chosen="g59" onChange={onChange} onClear={onClear} />);
    fireEvent.press(screen.getByRole('radio', { name: 'Guide 59' }));
    expect(onClear).toHaveBeenCalledTimes(1);
    fireEvent.press(screen.getByRole('radio', { name: 'Guide 7' }));
    expect(onChange).toHaveBeenLastCalledWith('g7');
  });
});
