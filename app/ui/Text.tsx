import type { ReactNode, Ref } from 'react';
import { StyleSheet, Text as NativeText, type TextProps as NativeTextProps } from 'react-native';
import { colour, font } from '../theme';
import { useLetterScale } from '../theme/appearance';
import { placed, type Taking } from './placing';

type Size = 'small' | 'body' | 'lead' | 'title' | 'display';

export interface TextProps extends Omit<NativeTextProps, 'children'>, Taking {
  children: ReactNode;
  size?: Size;
  strong?: boolean;
  quiet?: boolean;
  /** Numbers that stand under each other: all digits of one width. */
  figures?: boolean;
  /** Where its lines stand; at their beginning, where absent. */
  set?: 'centre' | 'right';
  /** Its lines close together, on a small tile. */
  tight?: boolean;
  color?: string;
  /** Heading level for screen readers. */
  heading?: 1 | 2 | 3;
  ref?: Ref<NativeText>;
}

/** Height of the letters, and of a line of them. */
const SIZES: Record<Size, readonly [number, number]> = {
  small: [13, 18],
  body: [15, 22],
  lead: [17, 24],
  title: [21, 28],
  display: [30, 36],
};
const sized = (size: Size) => ({ fontSize: SIZES[size][0], lineHeight: SIZES[size][1] });

/** All text of the interface. */
export function Text(props: TextProps) {
  const [
    place,
    { children, size = 'body', strong, quiet, figures, set, tight, color, heading, style, ref, numberOfLines, ...rest },
  ] = placed(props);
  const scale = useLetterScale();
  return (
    <NativeText
      {...rest}
      // Who needs large letters needs all of them.
      numberOfLines={scale === 1 ? numberOfLines : undefined}
      ref={ref}
      {...(heading ? { role: 'heading', 'aria-level': heading } : {})}
      style={[
        styles.base,
        styles[size],
        scale !== 1 && { fontSize: SIZES[size][0] * scale, lineHeight: SIZES[size][1] * scale },
        strong && styles.strong,
        quiet && styles.quiet,
        figures && styles.figures,
        set && styles[set],
        tight && { lineHeight: 16 * scale },
        place,
        color ? { color } : undefined,
        style,
      ]}
    >
      {children}
    </NativeText>
  );
}

const styles = StyleSheet.create({
  base: { fontFamily: font.text, color: colour.ink },
  small: sized('small'),
  body: sized('body'),
  lead: sized('lead'),
  title: { ...sized('title'), fontFamily: font.strong },
  display: { ...sized('display'), fontFamily: font.bold },
  strong: { fontFamily: font.strong },
  quiet: { color: colour.quiet },
  figures: { fontVariant: ['tabular-nums'] },
  centre: { textAlign: 'center' },
  right: { textAlign: 'right' },
});
