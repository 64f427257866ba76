import { onlineManager } from '@tanstack/react-query';
import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { Suspense } from 'react';
import { Text, View } from 'react-native';
import { lazyPart } from './lazyPart';

const Words = ({ says }: { says: string }) => <Text>{says}</Text>;
/** Comes from the n-th time on. */
const fromTime = (n: number) => {
  let times = 0;
  return jest.fn(async () => {
    if (++times < n) throw new Error('no connection');
    return { Words };
  });
};
const show = async (fetch: () => Promise<{ Words: typeof Words }>, kind?: 'picture') => {
  const Part = lazyPart(fetch, (file) => file.Words, kind);
  render(
    <View>
      <Text>the page</Text>
      <Suspense fallback={<Text>is coming</Text>}>
        <Part says="here it is" />
      </Suspense>
    </View>,
  );
  await act(async () => undefined);
};
const MISSING = 'A part of this page is not on this device yet';

describe('a part that is fetched when it is first shown', () => {
  it('is shown, with what it is given', async () => {
    await show(fromTime(1));
    expect(screen.getByText('here it is')).toBeTruthy();
  });

  it('leaves the page as it is where it does not come, and comes when it is asked for', async () => {
    const fetch = fromTime(4);
    await show(fetch);
    expect(screen.getByText('the page')).toBeTruthy();
    expect(screen.getByText(MISSING)).toBeTruthy();
    await act(async () => fireEvent.press(screen.getByText('Fetch it')));
    expect(screen.getByText(MISSING)).toBeTruthy();
    await act(async () => fireEvent.press(screen.getByText('Fetch it')));
    expect(screen.getByText('here it is')).toBeTruthy();
    expect(screen.queryByText(MISSING)).toBeNull();
    expect(fetch).toHaveBeenCalledTimes(4);
  });

  it('comes by itself when the connection is back', async () => {
    await show(fromTime(3));
    expect(screen.getByText(MISSING)).toBeTruthy();
    onlineManager.setOnline(false);
    await act(async () => onlineManager.setOnline(true));
    expect(screen.getByText('here it is')).toBeTruthy();
  });

  it('says nothing where it is only a picture', async () => {
    await show(fromTime(9), 'picture');
    expect(screen.getByText('the page')).toBeTruthy();
    expect(screen.queryByText(MISSING)).toBeNull();
  });
});
