import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { space } from '../theme';
import { Button } from './Button';
import { Text } from './Text';

/** Where the application is. */
const here = (): string => (globalThis.location as Location | undefined)?.origin ?? '';

/** An address of the application, to be selected or copied. */
export function CopyLink({ path }: { path: string }) {
  const [copied, setCopied] = useState<boolean>();
  const link = `${here()}${path}`;
  return (
    <View style={styles.link}>
      <Text selectable testID="link" size="small">
        {link}
      </Text>
      <View style={styles.act}>
        <Button
          small
          label={copied ? 'Copied' : 'Copy the link'}
          onPress={() =>
            void Promise.resolve()
              .then(() => navigator.clipboard.writeText(link))
              .then(
                () => setCopied(true),
                () => setCopied(false),
              )
          }
        />
      </View>
      {copied === false && <Text size="small">It could not be copied here: select it, and copy it by hand.</Text>}
    </View>
  );
}

const styles = StyleSheet.create({ link: { gap: space.s }, act: { flexDirection: 'row' } });
