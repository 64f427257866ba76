import type { SpecimenWrite } from '@plesion/contract';
import type { Reading } from '@plesion/core/observation';
import { tentCones } from '@plesion/demo';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { type ReactNode, useState } from 'react';
import { Image } from 'react-native';
import { createOutbox, setOutbox } from '../../lib/outbox/outbox';
import { memoryStorage } from '../../lib/outbox/storage';
import { specimenContent } from '../../test/fakeStation';
import { uploads } from '../../lib/uploads';
import { FactsNotice } from './FactsNotice';
import { PhotosSheet } from './PhotosSheet';
import { PinLinks } from './PinLinks';
import { PointedPhoto } from './PointedPhoto';

const mockHrefs: string[] = [];
jest.mock('expo-router', () => ({
  Link: ({ href, children }: { href: string; children: ReactNode }) => {
    mockHrefs.push(href);
    return children;
  },
}));
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
    expect(screen.queryByLabelText('Not now')).toBeNull();
  });
});

const HASHES = ['a', 'b'].map((letter) => letter.repeat(64));

/** The sheet of a specimen with two photos, as it stands after each change. */
function Sheet({ first }: { first: SpecimenWrite }) {
  const [content, setContent] = useState(first);
  last = content;
  return (
    <QueryClientProvider client={client}>
      <PhotosSheet id="one" content={content} onChange={setContent} guide={tentCones} />
    </QueryClientProvider>
  );
}
let last: SpecimenWrite;
const client = new QueryClient();

describe('the ways to what was pointed at', () => {
  it('lead to the photo that shows it: the one that is named, or the one on top', () => {
    const pinned: Reading[] = [
      readings[0],
      { ...readings[2], at: { x: 0.5, y: 0.9 } },
      { character: 'spire-angle', value: 71, at: { x: 0.1, y: 0.1, photo: HASHES[1] } },
    ];
    render(<PinLinks id="one" guide={tentCones} readings={pinned} top={HASHES[0]} />);
    expect(mockHrefs).toEqual([`/specimens/one?photo=${HASHES[0]}`, `/specimens/one?photo=${HASHES[1]}`]);
    screen.rerender(<PinLinks id="one" guide={tentCones} readings={readings.slice(0, 2)} top={HASHES[0]} />);
    expect(screen.queryByText('On the photo:')).toBeNull();
  });
});

describe('the photos of a specimen', () => {
  const two = () =>
    specimenContent({
      photo: HASHES[0],
      media: HASHES.map((hash, i) => ({ id: `0192f3a0-0000-7009-8000-00000000000${i}`, kind: 'photo', hash })),
      readings: [readings[0], { ...readings[2], at: { x: 0.5, y: 0.9, photo: HASHES[1] } }],
    });
  const other = () => fireEvent.press(screen.getByLabelText('photo 2'));

  it('are chosen of, say what each shows, and one of them is on top', () => {
    render(<Sheet first={two()} />);
    expect(screen.queryByLabelText(/pointed at$/)).toBeNull();
    other();
    expect(screen.getByLabelText('2: Stain at the tip of the base, pointed at')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('What it shows, and whose it is'));
    fireEvent.press(screen.getByLabelText(tentCones.views[0].label));
    fireEvent.changeText(screen.getByLabelText('Credit'), ' A. Orvane ');
    fireEvent(screen.getByLabelText('Credit'), 'blur');
    expect(last.media![1]).toMatchObject({ view: tentCones.views[0].id, credit: 'A. Orvane' });
    fireEvent.press(screen.getByLabelText('Show it first'));
    expect(last.photo).toBe(HASHES[1]);
    expect(screen.getByLabelText(`photo 1, ${tentCones.views[0].label}`)).toBeTruthy();
  });

  it('are pointed at each for itself', () => {
    render(<Sheet first={two()} />);
    other();
    fireEvent(screen.getByLabelText('Photo of the specimen'), 'layout', {
      nativeEvent: { layout: { width: 400, height: 300 } },
    });
    fireEvent.press(screen.getByLabelText('1 Pattern of the body'));
    fireEvent.press(screen.getByLabelText(/^Press where the character shows/), {
      nativeEvent: { locationX: 200, locationY: 30 },
    });
    expect(last.readings[0].at).toEqual({ x: 0.5, y: 0.1, photo: HASHES[1] });
  });

  it('are taken off, and the next one comes on top', () => {
    render(<Sheet first={two()} />);
    fireEvent.press(screen.getByLabelText('Remove the photo'));
    expect(last).toMatchObject({ photo: HASHES[1], media: [{ hash: HASHES[1] }] });
    fireEvent.press(screen.getByLabelText('Remove the photo'));
    expect(last.photo).toBeUndefined();
    expect(screen.getByLabelText('Add a photo')).toBeTruthy();
  });

  it('on their way say how far they are, and can be stopped: they are taken off then', () => {
    render(<Sheet first={two()} />);
    act(() => uploads.set({ [HASHES[1]]: 0.4 }));
    expect(screen.getByText('Sending photo 2, 40 in 100 done')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Stop'));
    expect(last.media).toHaveLength(1);
    act(() => uploads.set({}));
  });
});

const show = () => {
  const onPoint = jest.fn();
  render(<PointedPhoto hash="h" top guide={tentCones} readings={readings} onPoint={onPoint} />);
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
    fireEvent.press(screen.getByLabelText(/^Press where the character shows/), {
      nativeEvent: { locationX: 100, locationY: 60 },
    });
    expect(onPoint).toHaveBeenCalledWith(0, { x: 0.25, y: 0.2 });
    expect(screen.getByLabelText('Photo of the specimen')).toBeTruthy();
  });

  it('puts it by keys alone: from the middle, by steps, and Escape gives it up', () => {
    const onPoint = show();
    const key = (name: string, shiftKey = false) =>
      fireEvent(screen.getByLabelText(/^Press where/), 'keyDownCapture', {
        key: name,
        shiftKey,
        preventDefault: jest.fn(),
        stopPropagation: jest.fn(),
      });
    fireEvent.press(screen.getByLabelText('1 Pattern of the body'));
    for (let i = 0; i < 3; i++) key('ArrowRight', true);
    key('ArrowUp');
    key('Enter');
    expect(onPoint).toHaveBeenLastCalledWith(0, { x: 0.65, y: 0.495 });
    fireEvent.press(screen.getByLabelText('1 Pattern of the body'));
    key('Escape');
    expect(screen.getByLabelText('Photo of the specimen')).toBeTruthy();
    expect(onPoint).toHaveBeenCalledTimes(1);
  });

  it('does nothing when no character is chosen, and takes a pointed one off', () => {
    const onPoint = show();
    fireEvent.press(screen.getByLabelText('Photo of the specimen'), { nativeEvent: { locationX: 1, locationY: 1 } });
    expect(onPoint).not.toHaveBeenCalled();
    fireEvent.press(screen.getByLabelText('2 Stain at the tip of the base ✓'));
    expect(onPoint).toHaveBeenCalledWith(2, undefined);
  });
});
