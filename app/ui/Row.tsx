import { StyleSheet, View, type ViewProps } from 'react-native';
import { gaps, type Gap } from './gaps';

interface RowProps extends ViewProps {
  /** Room between the parts. */
  gap?: Gap;
  /** Where what is lower than the row stands; as high as the row, where absent. */
  align?: keyof typeof aligned;
  /** Where the parts stand that do not fill the row; at its beginning, where absent. */
  justify?: keyof typeof justified;
  /** Does it stay on one line, however narrow? Usually what does not fit goes on below. */
  oneLine?: boolean;
}

/** Parts side by side. */
export const Row = ({ gap = 's', align, justify, oneLine, style, ...rest }: RowProps) => (
  <View
    {...rest}
    style={[styles.row, !oneLine && styles.wrap, gaps[gap], align && aligned[align], justify && justified[justify], style]}
  />
);

const styles = StyleSheet.create({ row: { flexDirection: 'row' }, wrap: { flexWrap: 'wrap' } });

const aligned = StyleSheet.create({
  start: { alignItems: 'flex-start' },
  center: { alignItems: 'center' },
  end: { alignItems: 'flex-end' },
  baseline: { alignItems: 'baseline' },
});

const justified = StyleSheet.create({
  center: { justifyContent: 'center' },
  end: { justifyContent: 'flex-end' },
  between: { justifyContent: 'space-between' },
});
