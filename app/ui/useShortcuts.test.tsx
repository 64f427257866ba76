import { act, render } from '@testing-library/react-native';
import { useLayoutEffect } from 'react';
import { useShortcuts } from './useShortcuts';

type Press = (event: KeyboardEvent) => void;

const mockHeard = new Set<Press>();
jest.mock('../lib/keyboard', () => ({
  isSingle: () => true,
  isTyping: () => false,
  listenToKeys: (press: Press) => {
    mockHeard.add(press);
    return () => mockHeard.delete(press);
  },
}));

const pressed = () => {
  const event = { key: 'a', defaultPrevented: false, preventDefault: jest.fn() } as unknown as KeyboardEvent;
  for (const hear of mockHeard) hear(event);
};

/** Couplet `number`; where the page has just come to 2, somebody presses at the very sight of it. */
function Couplet({ number, take }: { number: number; take: (number: number) => void }) {
  useShortcuts(() => () => take(number));
  useLayoutEffect(() => {
    if (number === 2) pressed();
  }, [number]);
  return null;
}

it('hears a key pressed at the sight of a page as that page, not as the one before', async () => {
  const take = jest.fn();
  const page = render(<Couplet number={1} take={take} />);
  await act(async () => page.rerender(<Couplet number={2} take={take} />));
  expect(take.mock.calls).toEqual([[2]]);
  page.unmount();
  expect(mockHeard.size).toBe(0);
});
