import type { Ref } from 'react';
import { Pressable, type PressableProps, type View } from 'react-native';
import { type Placing, placed } from './placing';

interface PressBoxProps extends PressableProps, Placing {
  ref?: Ref<View>;
}

/** A part to be pressed that is no button of words: a row, a tile, a drawing. */
export function PressBox(props: PressBoxProps) {
  const [place, { style, ...rest }] = placed(props);
  return (
    <Pressable
      {...rest}
      style={typeof style === 'function' ? (state) => [place, style(state)] : style ? [place, style] : place}
    />
  );
}
