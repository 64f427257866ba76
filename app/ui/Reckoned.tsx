import { type ReactNode, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { colour, space } from '../theme';
import { Text } from './Text';

/** A figure that says how it was reckoned when it is touched. */
export function Reckoned({ says, children }: { says: string; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <View style={styles.group}>
      <Pressable role="button" aria-expanded={open} onPress={() => setOpen(!open)} style={styles.figure}>
        {children}
      </Pressable>
      {open && (
        <Text size="small" quiet>
          {says}
        </Text>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: space.xs },
  figure: {
    minHeight: 24,
    justifyContent: 'center',
    alignSelf: 'flex-start',
    maxWidth: '100%',
    paddingBottom: 2,
    borderBottomWidth: 1,
    borderStyle: 'dotted',
    borderColor: colour.quiet,
  },
});
