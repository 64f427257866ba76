import type { NamePart } from '@plesion/core/guide';
import { StyleSheet, Text as NativeText } from 'react-native';
import { font } from '../theme';
import { Text, type TextProps } from './Text';

/** Running text with scientific names in it, which lean. */
export const Typeset = ({ parts, ...rest }: Omit<TextProps, 'children'> & { parts: readonly NamePart[] }) => (
  <Text {...rest}>
    {parts.map(({ text, italic }, i) =>
      italic ? (
        <NativeText key={i} style={styles.name}>
          {text}
        </NativeText>
      ) : (
        text
      ),
    )}
  </Text>
);

const styles = StyleSheet.create({ name: { fontFamily: font.name } });
