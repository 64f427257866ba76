import { createElement } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, space, TOUCH } from '../theme';
import { Text } from './Text';

interface SliderProps {
  label: string;
  value: number;
  from?: number;
  to?: number;
  step?: number;
  onChange: (value: number) => void;
  /** What a value is, in words. */
  say?: (value: number) => string;
}

/** A value between two ends, moved by finger or by the arrow keys: the browser's own control. */
export function Slider({ label, value, from = 0, to = 100, step = 1, onChange, say }: SliderProps) {
  return (
    <View style={styles.group}>
      <View style={styles.head}>
        <Text size="small" strong quiet style={styles.label}>
          {label}
        </Text>
        {say && (
          <Text size="small" figures>
            {say(value)}
          </Text>
        )}
      </View>
      {createElement('input', {
        type: 'range',
        min: from,
        max: to,
        step,
        value,
        'aria-label': label,
        'aria-valuetext': say?.(value),
        onChange: (event: { target: { value: string } }) => onChange(Number(event.target.value)),
        style: { width: '100%', height: TOUCH, margin: 0, accentColor: colour.kelp },
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  group: { width: '100%' },
  head: { flexDirection: 'row', justifyContent: 'space-between', gap: space.s },
  label: { flexShrink: 1 },
});
