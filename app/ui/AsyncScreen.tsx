import type { ReactNode } from 'react';
import { Screen } from './Screen';
import { Failed, Loading } from './states';

interface AsyncScreenProps<T> {
  /** What is being fetched, as the subject of a sentence. */
  what: string;
  /** Undefined until it has come. */
  value: T | undefined;
  error?: unknown;
  retry?: () => void;
  children: (value: T) => ReactNode;
}

/** A page of something that has to come first: while it is fetched, when it cannot be, and once it is here. */
export function AsyncScreen<T>({ what, value, error, retry, children }: AsyncScreenProps<T>) {
  if (error)
    return (
      <Screen>
        <Failed error={error} retry={retry} />
      </Screen>
    );
  return value === undefined ? <Loading what={what} /> : children(value);
}
