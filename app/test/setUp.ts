import { type ManagedTimerId, timeoutManager } from '@tanstack/react-query';
import { configure } from '@testing-library/react-native';
import { loadPlan } from '../features/records/plans';

// A loaded machine takes its time; a wait ends as soon as what it waits for is there.
configure({ asyncUtilTimeout: 60_000 });

/** A timer that does not keep the process waiting: what is cached for minutes is nothing to wait for at the end. */
function waitedForByNobody(timer: unknown): ManagedTimerId {
  (timer as { unref?: () => void }).unref?.();
  return timer as ManagedTimerId;
}

timeoutManager.setTimeoutProvider({
  setTimeout: (callback, delay) => waitedForByNobody(setTimeout(callback, delay)),
  clearTimeout: (timer) => clearTimeout(timer as unknown as number),
  setInterval: (callback, delay) => waitedForByNobody(setInterval(callback, delay)),
  clearInterval: (timer) => clearInterval(timer as unknown as number),
});

// What is dropped comes from a page with a window, which is not here: the browser tests drop.
jest.mock('react-dropzone', () => ({
  useDropzone: () => ({
    getRootProps: (own: object) => own,
    getInputProps: () => ({}),
    open: () => undefined,
    isDragActive: false,
  }),
}));

// A guide comes to a screen with what draws it.
beforeAll(async () => {
  for (const plan of ['crab', 'cone', 'beetle', 'tern', 'umbel', 'moth'] as const) await loadPlan(plan);
});
