import { formsOf } from '@plesion/core/guide';
import { ledgeCrabs } from '@plesion/demo';
import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { compiledOf } from '../records/compiled';
import { calliperOn, takesCalliper } from './calliper';
import { CalliperPanel } from './CalliperPanel';

const width = ledgeCrabs.characters.find(({ id }) => id === 'carapace-width')!;
const form = formsOf(ledgeCrabs)[0].id;

describe('a practice calliper', () => {
  it('is put to lengths, and to nothing else', () => {
    expect(takesCalliper(width)).toBe(true);
    expect(ledgeCrabs.characters.filter(takesCalliper).every(({ kind, unit }) => kind === 'measurement' && unit)).toBe(true);
    expect(takesCalliper({ kind: 'measurement', unit: 'beats/s' })).toBe(false);
    expect(takesCalliper({ kind: 'ratio' })).toBe(false);
  });

  it('closes on the length and trembles about it by hundredths, the same for the same one', () => {
    const on = () => calliperOn(compiledOf(ledgeCrabs), form, width.id, 'mm', 'one')!;
    const [a, b] = [on(), on()];
    expect(a.at(3)).toBe(b.at(3));
    expect(a.at(0)).toBeGreaterThan(a.at(7));
    expect(a.at(7)).toBeGreaterThan(a.at(a.closes));
    const closed = Array.from({ length: 200 }, (_, i) => a.at(a.closes + i));
    const mean = closed.reduce((sum, value) => sum + value, 0) / closed.length;
    const sd = Math.sqrt(closed.reduce((sum, value) => sum + (value - mean) ** 2, 0) / closed.length);
    expect(sd).toBeGreaterThan(0.02);
    expect(sd).toBeLessThan(0.04);
    for (const value of closed) expect(Math.abs(value * 100 - Math.round(value * 100))).toBeLessThan(1e-6);
    expect(calliperOn(compiledOf(ledgeCrabs), 'no such form', width.id, 'mm', 'one')).toBeUndefined();
  });

  it('sends values until one is taken, and is put away', () => {
    jest.useFakeTimers();
    const onTake = jest.fn();
    render(<CalliperPanel guide={ledgeCrabs} form={form} character={width} onTake={onTake} />);
    fireEvent.press(screen.getByLabelText(/^Practice calliper/));
    const first = screen.getByTestId('calliper').props.children as string;
    act(() => jest.advanceTimersByTime(3000));
    expect(screen.getByText('closed')).toBeTruthy();
    const shown = screen.getByTestId('calliper').props.children as string;
    expect(shown).not.toBe(first);
    fireEvent.press(screen.getByLabelText(/^Use it/));
    expect(onTake).toHaveBeenCalledWith(Number.parseFloat(shown));
    fireEvent.press(screen.getByLabelText('Close it'));
    expect(screen.queryByTestId('calliper')).toBeNull();
    jest.useRealTimers();
  });
});
