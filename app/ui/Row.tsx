import { StyleSheet, View, type ViewProps, type ViewStyle } from 'react-native';
import { type Gap, GAPS } from './gaps';

interface Placing {
  /** Room between the parts. */
  gap?: Gap;
  /** Where what is lower than the row stands; as high as the row, where absent. */
  align?: keyof typeof ALIGNED;
  /** Where the parts stand that do not fill the row; at its beginning, where absent. */
  justify?: keyof typeof JUSTIFIED;
  /** Does it stay on one line, however narrow? Usually what does not fit goes on below. */
  oneLine?: boolean;
}

/** Parts side by side. */
export function Row({ gap, align, justify, oneLine, style, ...rest }: Placing & ViewProps) {
  const placed = styleOf({ gap, align, justify, oneLine });
  return <View {...rest} style={style ? [placed, style] : placed} />;
}

const ALIGNED = { start: 'flex-start', center: 'center', end: 'flex-end', baseline: 'baseline' } as const;
const JUSTIFIED = { center: 'center', end: 'flex-end', between: 'space-between' } as const;

/** One style for each way to place, made once: lists have hundreds of rows. */
const made = new Map<string, ViewStyle>();

function styleOf({ gap = 's', align, justify, oneLine }: Placing): ViewStyle {
  const name = `${gap} ${align} ${justify} ${oneLine}`;
  const known = made.get(name);
  if (known) return known;
  const { row } = StyleSheet.create({
    row: {
      flexDirection: 'row',
      gap: GAPS[gap],
      ...(oneLine ? {} : { flexWrap: 'wrap' }),
      ...(align ? { alignItems: ALIGNED[align] } : {}),
      ...(justify ? { justifyContent: JUSTIFIED[justify] } : {}),
    },
  });
  made.set(name, row);
  return row;
}
