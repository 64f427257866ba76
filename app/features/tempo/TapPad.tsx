import { createElement, useState } from 'react';
import { StyleSheet } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Text } from '../../ui/Text';

interface Touched {
  /** Milliseconds since the page was opened. */
  timeStamp: number;
  key?: string;
  repeat?: boolean;
  preventDefault: () => void;
}

/**
 * A large place to tap at each beat; Space and Enter tap too. It is the browser's own button: the moment
 * counts at which a finger goes down, not that of a press that is only known when it goes up.
 */
export function TapPad({ onTap }: { onTap: (second: number) => void }) {
  const [down, setDown] = useState(false);
  const tap = ({ timeStamp }: Touched) => {
    setDown(true);
    onTap(Math.round((performance.timeOrigin || 0) + timeStamp) / 1000);
  };
  const up = () => setDown(false);
  return createElement(
    'button',
    {
      type: 'button',
      onPointerDown: tap,
      onPointerUp: up,
      onPointerLeave: up,
      onKeyDown(event: Touched) {
        if (event.key !== ' ' && event.key !== 'Enter') return;
        event.preventDefault();
        if (!event.repeat) tap(event);
      },
      onKeyUp: up,
      style: { ...StyleSheet.flatten([styles.pad, down && styles.down]), ...BUTTON },
    },
    <Text size="lead" strong color={down ? colour.sheet : colour.kelp}>
      Tap at each beat
    </Text>,
    <Text size="small" quiet={!down} color={down ? colour.sheet : undefined}>
      with a finger, or Space
    </Text>,
  );
}

/** What a browser's button needs beyond a view. */
const BUTTON = {
  display: 'flex',
  flexDirection: 'column',
  borderStyle: 'solid',
  userSelect: 'none',
  cursor: 'pointer',
  touchAction: 'manipulation',
} as const;

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
  },
  down: { backgroundColor: colour.kelp },
});
