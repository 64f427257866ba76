import type { ReactNode } from 'react';
import { PageHeading } from './PageHeading';
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
  if (error) return <FailedScreen what={what} error={error} retry={retry} />;
  return value === undefined ? <Loading what={what} /> : children(value);
}

interface FailedScreenProps {
  what: string;
  error: unknown;
  retry?: () => void;
}

/** A page of something that cannot be had. */
export const FailedScreen = ({ what, error, retry }: FailedScreenProps) => (
  <Screen>
    <PageHeading size="title">{what}</PageHeading>
    <Failed error={error} retry={retry} />
  </Screen>
);
