import { StyleSheet, View, type ViewProps } from 'react-native';
import { type Gap, GAPS } from './gaps';

interface StackProps extends ViewProps {
  /** Room between the parts. */
  gap?: Gap;
}

/** Parts one below the other. */
export const Stack = ({ gap = 's', style, ...rest }: StackProps) => (
  <View {...rest} style={style ? [styles[gap], style] : styles[gap]} />
);

const styles = StyleSheet.create({
  hair: { gap: GAPS.hair },
  xs: { gap: GAPS.xs },
  s: { gap: GAPS.s },
  m: { gap: GAPS.m },
  l: { gap: GAPS.l },
  xl: { gap: GAPS.xl },
});
