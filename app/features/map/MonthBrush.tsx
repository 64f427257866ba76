import { StyleSheet, View } from 'react-native';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { Slider } from '../../ui/Slider';
import { Stack } from '../../ui/Stack';

interface MonthBrushProps {
  months: readonly { month: string; n: number }[];
  from: number;
  to: number;
  onChange: (from: number, to: number) => void;
}

const HIGH = 44;

/** Records of each month as bars, and between which two of them one looks. */
export function MonthBrush({ months, from, to, onChange }: MonthBrushProps) {
  const most = Math.max(1, ...months.map(({ n }) => n));
  const last = months.length - 1;
  const say = (i: number) => sayDate(`${months[i].month}-15`, 'month') ?? months[i].month;
  return (
    <Stack gap="xs">
      <View aria-hidden style={styles.bars}>
        {months.map(({ month, n }, i) => (
          <View
            key={month}
            style={[styles.bar, i >= from && i <= to && styles.on, { height: n ? Math.max(3, (n / most) * HIGH) : 1 }]}
          />
        ))}
      </View>
      <Slider label="From" value={from} to={last} onChange={(next) => onChange(Math.min(next, to), to)} say={say} />
      <Slider label="To" value={to} to={last} onChange={(next) => onChange(from, Math.max(next, from))} say={say} />
    </Stack>
  );
}

const styles = StyleSheet.create({
  bars: { flexDirection: 'row', alignItems: 'flex-end', gap: 1, height: HIGH },
  bar: { flex: 1, backgroundColor: colour.hairline, borderTopLeftRadius: 2, borderTopRightRadius: 2 },
  on: { backgroundColor: colour.kelp },
});
