import { onlineManager } from '@tanstack/react-query';
import type { ErrorBoundaryProps } from 'expo-router';
import { useEffect } from 'react';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';

// What was fetched in vain once is fetched again only by a page that is opened anew.
const openAnew = () => window.location.reload();

/** In the place of a page that could not be shown; the places round it stay. */
export function PageFailed({ error }: Pick<ErrorBoundaryProps, 'error'>) {
  // The name that the bundler gives to code that does not come.
  const isMissing = error instanceof Error && error.name === 'AsyncRequireError';
  useEffect(() => {
    if (!isMissing) return undefined;
    return onlineManager.subscribe((online) => online && openAnew());
  }, [isMissing]);
  return (
    <Screen>
      <PageHeading>{isMissing ? 'This page is not on this device yet' : 'This page could not be shown'}</PageHeading>
      <Notice
        kind="problem"
        title={isMissing ? 'It needs a connection once' : 'Something failed on it'}
        action={<Button small label="Open it again" onPress={openAnew} />}
      >
        {isMissing
          ? 'It opens by itself when the connection is back. What you have entered is kept on this device.'
          : 'What you have entered is kept on this device. If it goes on, tell whoever runs the server what you did before.'}
      </Notice>
    </Screen>
  );
}
