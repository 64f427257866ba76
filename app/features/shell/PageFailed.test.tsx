import { onlineManager } from '@tanstack/react-query';
import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { PageFailed } from './PageFailed';

jest.mock(
  'react-native-safe-area-context',
  () => jest.requireActual<{ default: object }>('react-native-safe-area-context/jest/mock').default,
);

const reload = jest.fn();
beforeEach(() => {
  reload.mockClear();
  Object.assign(window, { location: { reload, pathname: '/guides' } });
});
const fails = (error: Error) =>
  render(
    <SafeAreaProvider>
      <PageFailed error={error} />
    </SafeAreaProvider>,
  );
const backOnline = async () => {
  onlineManager.setOnline(false);
  await act(async () => onlineManager.setOnline(true));
};

describe('a page that fails', () => {
  it('says so, and is opened again when one asks for it and not by itself', async () => {
    fails(new TypeError('no such thing'));
    expect(screen.getByText('This page could not be shown')).toBeTruthy();
    expect(screen.getByText('Something failed on it')).toBeTruthy();
    await backOnline();
    expect(reload).not.toHaveBeenCalled();
    fireEvent.press(screen.getByText('Open it again'));
    expect(reload).toHaveBeenCalledTimes(1);
  });

  it('for want of its code opens by itself when the connection is back', async () => {
    const { unmount } = fails(Object.assign(new Error('Loading module failed.'), { name: 'AsyncRequireError' }));
    expect(screen.getByText('This page is not on this device yet')).toBeTruthy();
    await backOnline();
    expect(reload).toHaveBeenCalledTimes(1);
    unmount();
    await backOnline();
    expect(reload).toHaveBeenCalledTimes(1);
  });
});
