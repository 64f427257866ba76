import type { ReactNode } from 'react';
import { StyleSheet, Text, type TextProps } from 'react-native';
import { colour, font } from '../theme';

type Size = 'small' | 'body' | 'lead' | 'title' | 'display';

export interface WordsProps extends Omit<TextProps, 'children'> {
  children: ReactNode;
  size?: Size;
  strong?: boolean;
  quiet?: boolean;
  /** Numbers that stand under each other: all digits of one width. */
  figures?: boolean;
  color?: string;
  /** Heading level for screen readers. */
  heading?: 1 | 2 | 3;
}

/** All text of the interface. */
export function Words({ children, size = 'body', strong, quiet, figures, color, heading, style, ...rest }: WordsProps) {
  return (
    <Text
      {...rest}
      {...(heading ? { role: 'heading', 'aria-level': heading } : {})}
      style={[
        styles.base,
        styles[size],
        strong && styles.strong,
        quiet && styles.quiet,
        figures && styles.figures,
        color ? { color } : undefined,
        style,
      ]}
    >
      {children}
    </Text>
  );
}

const styles = StyleSheet.create({
  base: { fontFamily: font.text, color: colour.ink },
  small: { fontSize: 13, lineHeight: 18 },
  body: { fontSize: 15, lineHeight: 22 },
  lead: { fontSize: 17, lineHeight: 24 },
  title: { fontSize: 21, lineHeight: 28, fontFamily: font.strong },
  display: { fontSize: 30, lineHeight: 36, fontFamily: font.bold },
  strong: { fontFamily: font.strong },
  quiet: { color: colour.quiet },
  figures: { fontVariant: ['tabular-nums'] },
});
