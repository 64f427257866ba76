import { specimenContent } from '../../test/fakeStation';
import { terns } from '@plesion/demo';
import { act, fireEvent, render, renderHook, screen } from '@testing-library/react-native';
import { roundedTempo, sayOdd, secondsOf, tempoIn } from './beats';
import { ClipDesk } from './ClipDesk';
import { type Player, useDrawnPlayer } from './player';
import { TempoScreen } from './TempoScreen';

const mockChange = jest.fn();
const mockBack = jest.fn();
jest.mock('expo-router', () => ({
  useRouter: () => ({ canGoBack: () => true, back: mockBack, replace: jest.fn() }),
}));
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));
let mockBench: object;
jest.mock('../analysis/useBench', () => ({
  ...jest.requireActual<object>('../analysis/useBench'),
  useBench: () => ({ bench: mockBench }),
}));

const character = terns.characters.find(({ tempo }) => tempo)!;
beforeEach(() => {
  jest.clearAllMocks();
  mockBench = {
    stored: { guide: terns, id: 'terns', hash: 'terns' },
    state: { content: specimenContent() },
    draft: { change: mockChange },
    weighError: new Error('not weighed here'),
  };
});

describe('beats', () => {
  it('come to a tempo in the character’s own unit of time', () => {
    expect(secondsOf(character)).toBe(1);
    expect(secondsOf({ ...character, unit: 'calls per min' })).toBe(60);
    const even = [0, 0.5, 1, 1.5, 2];
    expect(tempoIn(character, even)?.rate).toBeCloseTo(2, 10);
    expect(tempoIn({ ...character, unit: 'calls/min' }, even)?.rate).toBeCloseTo(120, 8);
    expect(tempoIn(character, [0, 1, 2])).toBeUndefined();
  });

  it('are told as finely as their error, and never as if without one', () => {
    expect(roundedTempo({ rate: 2.83456, sd: 0.0312 })).toEqual({ value: 2.835, error: 0.031 });
    expect(roundedTempo({ rate: 3, sd: 0 })).toEqual({ value: 3, error: 0.003 });
  });

  it('that were missed or doubled are named', () => {
    const tempo = tempoIn(character, [0, 0.5, 1, 1.5, 2.5, 3, 3.5, 4])!;
    expect(sayOdd(tempo)).toEqual(['Between beats 4 and 5 a beat was missed: that gap is left out.']);
    expect(tempo.rate).toBeCloseTo(2, 6);
  });
});

describe('the page of a beat', () => {
  it('is tapped, told with its error, taken back, and used as a reading', async () => {
    render(<TempoScreen id="one" />);
    const pad = screen.getByText('Tap at each beat');
    for (const timeStamp of [1000, 1350, 1695, 2052]) fireEvent(pad, 'pointerDown', { timeStamp });
    // A key that is held repeats itself, and is one tap.
    for (const repeat of [false, true, true])
      fireEvent(pad, 'keyDown', { key: ' ', repeat, timeStamp: repeat ? 2500 : 2400, preventDefault: jest.fn() });
    fireEvent(pad, 'keyDown', { key: 'Tab', timeStamp: 2600, preventDefault: jest.fn() });
    expect(screen.getByTestId('tempo')).toHaveTextContent(/^2\.8\d+ ± 0\.0\d+ beats\/s$/);
    expect(screen.getByText('5 beats')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Undo the last'));
    expect(screen.getByText('4 beats')).toBeTruthy();
    await act(async () => fireEvent.press(screen.getByLabelText('Use it')));
    const next = mockChange.mock.calls[0][0](specimenContent()) as {
      readings: { character: string; value: number; error: number }[];
    };
    expect(next.readings).toMatchObject([{ character: character.id, value: expect.any(Number), error: expect.any(Number) }]);
    expect(next.readings[0].value).toBeCloseTo(1000 / 351, 1);
    expect(mockBack).toHaveBeenCalled();
  });

  it('is not used on too few beats', () => {
    render(<TempoScreen id="two" />);
    fireEvent(screen.getByText('Tap at each beat'), 'pointerDown', { timeStamp: 5 });
    expect(screen.getByText('1 beat')).toBeTruthy();
    expect(screen.getByLabelText('Use it')).toBeDisabled();
    fireEvent.press(screen.getByLabelText('Begin again'));
    expect(screen.getByText('0 beats')).toBeTruthy();
  });

  it('says so where the guide has nothing that beats', () => {
    mockBench = { ...mockBench, stored: { guide: { ...terns, characters: [] } } };
    render(<TempoScreen id="three" />);
    expect(screen.getByText('Nothing that beats')).toBeTruthy();
  });
});

describe('a clip', () => {
  const player: Player = {
    at: 2,
    seconds: 8,
    playing: false,
    speed: 1,
    play: jest.fn(),
    pause: jest.fn(),
    seek: jest.fn(),
    setSpeed: jest.fn(),
    now: () => 2.25,
  };

  it('is gone through picture by picture and slower, and marked at its very moment', () => {
    const onBeat = jest.fn();
    render(<ClipDesk player={player} beats={[1, 1.5]} onBeat={onBeat} />);
    fireEvent.press(screen.getByLabelText('Beat here'));
    expect(onBeat).toHaveBeenCalledWith(2.25);
    fireEvent.press(screen.getByLabelText('One picture on'));
    expect(player.seek).toHaveBeenLastCalledWith(2.04);
    fireEvent.press(screen.getByLabelText('0.25 of it'));
    expect(player.setSpeed).toHaveBeenCalledWith(0.25);
    expect(screen.getByLabelText('Time line, 2 beats: 1.00, 1.50 s')).toBeTruthy();
  });

  it('that is drawn stays where it was put, and begins again at its end', () => {
    const { result } = renderHook(() => useDrawnPlayer(8));
    act(() => result.current.seek(3));
    expect(result.current.now()).toBe(3);
    act(() => result.current.seek(99));
    expect(result.current.at).toBe(8);
    act(() => result.current.play());
    expect(result.current.playing).toBe(true);
    expect(result.current.now()).toBeLessThan(1);
    act(() => result.current.pause());
    expect(result.current.playing).toBe(false);
  });
});
