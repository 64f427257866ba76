import type { NamePart } from '@plesion/core/guide';
import { StyleSheet, Text } from 'react-native';
import { font } from '../theme';
import { Words, type WordsProps } from './Words';

/** Running text with scientific names in it, which lean. */
export const Typeset = ({ parts, ...rest }: Omit<WordsProps, 'children'> & { parts: readonly NamePart[] }) => (
  <Words {...rest}>
    {parts.map(({ text, italic }, i) =>
      italic ? (
        <Text key={i} style={styles.name}>
          {text}
        </Text>
      ) : (
        text
      ),
    )}
  </Words>
);

const styles = StyleSheet.create({ name: { fontFamily: font.name } });
