import { StyleSheet, View } from 'react-native';
import { colour } from '../theme';
import { Box } from './Box';
import type { Taking } from './placing';

interface BarProps extends Taking {
  /** How much of it is filled, 0 to 1; the least of what is more than nothing is still seen. */
  part: number;
  tone?: 'kelp' | 'for' | 'hazard';
}

/** A part of a whole as a bar; the number itself stands beside it. */
export const Bar = ({ part, tone = 'kelp', ...taking }: BarProps) => (
  <Box tall={8} round="xs" tone="mist" clip aria-hidden {...taking}>
    <View style={[styles.filled, { backgroundColor: colour[tone], width: `${part > 0 ? Math.max(1, 100 * part) : 0}%` }]} />
  </Box>
);

const styles = StyleSheet.create({ filled: { height: 8, borderRadius: 4 } });
