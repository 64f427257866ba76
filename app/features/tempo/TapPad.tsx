import { useState } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Text } from '../../ui/Text';

/** A large place to tap at each beat; Space and Enter tap too. The moment is that of the touch, not of what follows it. */
export function TapPad({ onTap }: { onTap: (second: number) => void }) {
  const [down, setDown] = useState(false);
  const tap = (stamp: number) => onTap(Math.round(stamp) / 1000);
  return (
    <Pressable
      role="button"
      accessibilityLabel="Tap at each beat"
      onPressIn={({ nativeEvent, timeStamp }) => {
        setDown(true);
        tap(timeStamp ?? nativeEvent.timestamp);
      }}
      onPressOut={() => setDown(false)}
      style={[styles.pad, down && styles.down]}
    >
      <Text size="lead" strong color={down ? colour.sheet : colour.kelp}>
        Tap at each beat
      </Text>
      <Text size="small" quiet={!down} color={down ? colour.sheet : undefined}>
        with a finger, or Space
      </Text>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  pad: {
    minHeight: 220,
    alignItems: 'center',
    justifyContent: 'center',
    gap: space.xs,
    borderRadius: radius.l,
    borderWidth: 2,
    borderColor: colour.kelp,
    backgroundColor: colour.sheet,
    userSelect: 'none',
  },
  down: { backgroundColor: colour.kelp },
});
