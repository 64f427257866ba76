import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react-native';
import type { ReactElement } from 'react';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { createOutbox, setOutbox } from '../lib/outbox/outbox';
import { memoryStorage, type Storage } from '../lib/outbox/storage';
import { ToastPlace } from '../ui/Toast';

const METRICS = { frame: { x: 0, y: 0, width: 390, height: 844 }, insets: { top: 0, left: 0, right: 0, bottom: 0 } };

/** Put a screen up as the root does: with the device's outbox opened, and a cache of its own. */
export async function showScreen(element: ReactElement, storage: Storage = memoryStorage()) {
  setOutbox(await createOutbox(storage));
  const client = new QueryClient({ defaultOptions: { queries: { retry: false }, mutations: { retry: false } } });
  render(
    <SafeAreaProvider initialMetrics={METRICS}>
      <QueryClientProvider client={client}>
        <ToastPlace page="/">{element}</ToastPlace>
      </QueryClientProvider>
    </SafeAreaProvider>,
  );
  await act(async () => {});
  return client;
}

/** Press what has this label or these words, and let what follows happen. */
export const press = (what: string | RegExp) =>
  act(async () => fireEvent.press(screen.queryByLabelText(what) ?? screen.getByText(what)));

/** Choose one of a group of choices. */
export const choose = (label: string, what: string) =>
  act(async () => fireEvent.press(within(screen.getByLabelText(label)).getByText(what)));

export const type = (label: string | RegExp, text: string) =>
  act(async () => fireEvent.changeText(screen.getByLabelText(label), text));

/** Wait until something is to be read. */
export const shown = (words: string | RegExp) => waitFor(() => expect(screen.queryAllByText(words).length).toBeGreaterThan(0));
