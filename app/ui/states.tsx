import { onlineManager } from '@tanstack/react-query';
import { type ReactNode, useSyncExternalStore } from 'react';
import { StyleSheet, View } from 'react-native';
import { RequestProblem } from '@plesion/contract';
import { colour, space } from '../theme';
import { Button } from './Button';
import { Logo } from './Logo';
import { Notice } from './Notice';
import { Spinner } from './Spinner';
import { Text } from './Text';

const isOnline = () => onlineManager.isOnline();
const onChange = (tell: () => void) => onlineManager.subscribe(tell);

/** Something is to come. Without a connection it waits for one, and says so. */
export function Loading({ what }: { what: string }) {
  const online = useSyncExternalStore(onChange, isOnline, isOnline);
  return (
    <View style={styles.middle} role="status" aria-label={`${what} is being fetched`}>
      <Spinner color={colour.kelp} />
      <Text quiet size="small">
        {what} …
      </Text>
      {!online && (
        <Text size="small" style={styles.centred}>
          Waiting for a connection: what has to be fetched comes with it.
        </Text>
      )}
    </View>
  );
}

interface EmptyProps {
  title: string;
  children: string;
  action?: ReactNode;
}

/** Nothing here yet, and what to do next. */
export function Empty({ title, children, action }: EmptyProps) {
  return (
    <View style={styles.middle}>
      <Logo size={64} />
      <Text size="title" heading={2}>
        {title}
      </Text>
      <Text quiet style={styles.centred}>
        {children}
      </Text>
      {action}
    </View>
  );
}

interface FailedProps {
  error: unknown;
  retry?: () => void;
}

export function Failed({ error, retry }: FailedProps) {
  const offline = error instanceof RequestProblem && error.status === 0;
  const message = error instanceof RequestProblem ? error.message : 'Something failed on this page.';
  return (
    <Notice
      kind="problem"
      title={offline ? 'No connection' : 'That did not work'}
      action={retry && !isLasting(error) && <Button small label="Try again" onPress={retry} />}
    >
      {offline ? `${message} What you have entered is kept on this device.` : `${message}${sayQuote(error)}`}
    </Notice>
  );
}

/** Would be answered the same however often it is asked: there is no such thing, or not for this person. */
const isLasting = (error: unknown): boolean => error instanceof RequestProblem && [400, 403, 404].includes(error.status);

/** A fault of the server's can be told to whoever runs it. */
const sayQuote = (error: unknown): string =>
  error instanceof RequestProblem && error.body.requestId
    ? ` If it goes on, tell whoever runs the server: ${error.body.requestId}.`
    : '';

const styles = StyleSheet.create({
  middle: { alignItems: 'center', justifyContent: 'center', gap: space.m, padding: space.xxl },
  centred: { textAlign: 'center', maxWidth: 420 },
});
