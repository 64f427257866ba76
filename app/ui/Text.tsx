import type { ReactNode, Ref } from 'react';
import { Platform, StyleSheet, Text as NativeText, type TextProps as NativeTextProps } from 'react-native';
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
  /** No larger than so, however large letters are. */
  highest?: number;
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
  const scale = useLetterScale();
  const [
    place,
    {
      children,
      size = 'body',
      strong,
      quiet,
      figures,
      set,
      tight,
      highest = Infinity,
      color,
      heading,
      style,
      ref,
      numberOfLines,
      ...rest
    },
  ] = placed(scale === 1 ? props : widened(props, scale));
  const larger = Math.min(SIZES[size][0] * scale, highest) / SIZES[size][0];
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
        larger !== 1 && { fontSize: SIZES[size][0] * larger, lineHeight: SIZES[size][1] * larger },
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

/** Room that was made for letters of the usual size grows with them, as far as there is any. */
function widened({ least, wide, most, ...rest }: TextProps, scale: number): TextProps {
  const larger = <T,>(said: T) => (typeof said === 'number' ? said * scale : said);
  const asked = least !== undefined || wide !== undefined;
  return {
    ...rest,
    least: WEB && typeof least === 'number' ? (`min(100%, ${least * scale}px)` as unknown as number) : larger(least),
    wide: larger(wide),
    most: larger(most) ?? (asked ? 'all' : undefined),
  };
}

/** A least width goes before a most: there it is kept within what there is by a word that the browser alone knows. */
const WEB = Platform.OS === 'web';

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
