import { type ReactNode, type Ref, useEffect, useState } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import { ARROWS } from '../../lib/keyboard';
import { pressedAt } from '../../lib/pressedAt';
import { colour } from '../../theme';
import { Photo } from '../../ui/Photo';
import { PressBox } from '../../ui/PressBox';
import { Text } from '../../ui/Text';

interface AimedPhotoProps {
  uri: string;
  /** What the photo is; while one aims, what is to be done. */
  label: string;
  aiming: boolean;
  /** A point of the photo, as shares of its width and height. */
  onPut: (x: number, y: number) => void;
  onCancel: () => void;
  /** Takes the focus when one begins to aim: the keys aim on the photo itself. */
  ref?: Ref<View>;
  /** Drawn over it, which may need its width to its height. */
  children?: ReactNode | ((shape: number) => ReactNode);
}

/** What keys begin to aim at. */
const MIDDLE = { x: 0.5, y: 0.5 };

const inside = (share: number) => Math.max(0, Math.min(1, share));

/** A photo on which a point is put: by pressing it, or with the arrow keys (shift: ten times as far) and Enter. */
export function AimedPhoto({ uri, label, aiming, onPut, onCancel, ref, children }: AimedPhotoProps) {
  const [size, setSize] = useState<{ width: number; height: number }>();
  const [shape, setShape] = useState(1.5);
  // A photo that cannot be fetched keeps the usual shape.
  useEffect(() => {
    Image.getSize(
      uri,
      (width, height) => setShape(width / height),
      () => {},
    );
  }, [uri]);
  /** Where the keys aim; undefined while they do not. */
  const [aim, setAim] = useState<{ x: number; y: number }>();
  const put = (x: number, y: number) => {
    if (!aiming) return;
    const rounded = (share: number) => Math.round(inside(share) * 1000) / 1000;
    onPut(rounded(x), rounded(y));
    setAim(undefined);
  };
  const hear = ({ key, shiftKey, preventDefault }: { key: string; shiftKey: boolean; preventDefault: () => void }) => {
    if (!aiming) return;
    const at = aim ?? MIDDLE;
    const by = ARROWS[key];
    if (by) {
      const step = shiftKey ? 0.05 : 0.005;
      setAim({ x: inside(at.x + by[0] * step), y: inside(at.y + by[1] * step) });
    } else if (key === 'Enter' || key === ' ') put(at.x, at.y);
    else if (key === 'Escape') {
      onCancel();
      setAim(undefined);
    } else return;
    preventDefault();
  };
  return (
    <PressBox
      ref={ref}
      role="group"
      accessibilityLabel={label}
      onPress={(event) => {
        const [x, y] = pressedAt(event);
        if (size) put(x / size.width, y / size.height);
      }}
      {...({ onKeyDownCapture: (event: KeyboardEvent) => hear(keyOf(event)) } as object)}
      onLayout={({ nativeEvent }) => setSize(nativeEvent.layout)}
      most={640}
      wide="all"
      clip
      round="l"
      tone="paper"
      style={[{ aspectRatio: shape }, aiming && styles.aiming]}
    >
      <Photo source={{ uri }} style={StyleSheet.absoluteFill} resizeMode="stretch" />
      {typeof children === 'function' ? children(shape) : children}
      {aim && <PhotoPin {...aim} mark="+" color={colour.hazard} />}
    </PressBox>
  );
}

interface PhotoPinProps {
  x: number;
  y: number;
  mark: string | number;
  /** What is there, for those who cannot see it; without it the pin is decoration. */
  label?: string;
  color?: string;
}

/** A mark in a small round field, at a point of a photo. */
export const PhotoPin = ({ x, y, mark, label, color = colour.kelp }: PhotoPinProps) => (
  <View
    {...(label ? { role: 'img' as const, accessibilityLabel: label } : { 'aria-hidden': true })}
    style={[styles.pin, { left: `${x * 100}%`, top: `${y * 100}%`, borderColor: color }]}
  >
    <Text size="small" strong color={color}>
      {mark}
    </Text>
  </View>
);

/** What is asked of a key; what it would do otherwise, such as a press in the middle, is kept from it. */
const keyOf = (event: KeyboardEvent) => ({
  key: event.key,
  shiftKey: event.shiftKey,
  preventDefault() {
    event.preventDefault();
    event.stopPropagation();
  },
});

const PIN = 26;

const styles = StyleSheet.create({
  aiming: { borderWidth: 3, borderColor: colour.kelp },
  pin: {
    position: 'absolute',
    width: PIN,
    height: PIN,
    marginLeft: -PIN / 2,
    marginTop: -PIN / 2,
    borderRadius: PIN / 2,
    borderWidth: 2,
    backgroundColor: colour.sheet,
    alignItems: 'center',
    justifyContent: 'center',
  },
});
