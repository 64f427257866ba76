import type { Reading } from '@plesion/core/observation';
import { tentCones } from '@plesion/demo';
import { fireEvent, render, screen } from '@testing-library/react-native';
import { Image } from 'react-native';
import { createOutbox, setOutbox } from '../../lib/outbox/outbox';
import { memoryStorage } from '../../lib/outbox/storage';
import { FactsNotice } from './FactsNotice';
import { PointedPhoto } from './PointedPhoto';

jest.mock('../session/useSession', () => ({ useSession: () => ({ station: { id: 'station' } }) }));

const readings: Reading[] = [
  { character: 'pattern', states: ['tents'] },
  { character: 'lip', status: 'not-visible' },
  { character: 'base-stain', states: ['rose'], at: { x: 0.5, y: 0.9 } },
];
beforeEach(async () => {
  setOutbox(await createOutbox(memoryStorage()));
  jest
    .spyOn(Image, 'getSize')
    .mockImplementation(((_uri: string, done: (w: number, h: number) => void) => done(400, 300)) as typeof Image.getSize);
});

describe('what a photo says of itself', () => {
  it('is offered, used only where one says so, and not offered where it is known', () => {
    const onUse = jest.fn();
    const facts = { date: '2026-05-12', latitude: -41.2, longitude: -28.1 };
    render(<FactsNotice facts={facts} situation={{}} onUse={onUse} onClose={jest.fn()} />);
    fireEvent.press(screen.getByLabelText('Use the date'));
    expect(onUse).toHaveBeenLastCalledWith({ date: '2026-05-12' });
    fireEvent.press(screen.getByLabelText('Use the place'));
    expect(onUse).toHaveBeenLastCalledWith({ latitude: -41.2, longitude: -28.1 });
    screen.rerender(<FactsNotice facts={facts} situation={facts} onUse={onUse} onClose={jest.fn()} />);
    expect(screen.queryByText('The photo says when and where')).toBeNull();
    screen.rerender(<FactsNotice facts={{}} situation={{}} onUse={onUse} onClose={jest.fn()} />);
    expect(screen.queryByLabelText('Leave it')).toBeNull();
  });
});

const show = () => {
  const onPoint = jest.fn();
  render(<PointedPhoto hash="h" guide={tentCones} readings={readings} onPoint={onPoint} />);
  fireEvent(screen.getByLabelText('Photo of the specimen'), 'layout', { nativeEvent: { layout: { width: 400, height: 300 } } });
  return onPoint;
};

describe('pointing at characters on the photo', () => {
  it('shows those pointed at, and offers what was seen', () => {
    show();
    expect(screen.getByLabelText('2: Stain at the tip of the base, pointed at')).toBeTruthy();
    expect(screen.getByLabelText('1 Pattern of the body')).toBeTruthy();
    expect(screen.queryByLabelText(/Outer lip/)).toBeNull();
  });

  it('puts a chosen character where one presses, as shares of the photo', () => {
    const onPoint = show();
    fireEvent.press(screen.getByLabelText('1 Pattern of the body'));
    fireEvent.press(screen.getByLabelText('Press where the character shows'), { nativeEvent: { locationX: 100, locationY: 60 } });
    expect(onPoint).toHaveBeenCalledWith(0, { x: 0.25, y: 0.2 });
    expect(screen.getByLabelText('Photo of the specimen')).toBeTruthy();
  });

  it('does nothing when no character is chosen, and takes a pointed one off', () => {
    const onPoint = show();
    fireEvent.press(screen.getByLabelText('Photo of the specimen'), { nativeEvent: { locationX: 1, locationY: 1 } });
    expect(onPoint).not.toHaveBeenCalled();
    fireEvent.press(screen.getByLabelText('2 Stain at the tip of the base ✓'));
    expect(onPoint).toHaveBeenCalledWith(2, undefined);
  });
});
