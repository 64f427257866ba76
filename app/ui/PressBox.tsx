import type { Ref } from 'react';
import { Pressable, type PressableProps, StyleSheet, type View } from 'react-native';
import { colour } from '../theme';
import { type Placing, placed } from './placing';

interface PressBoxProps extends PressableProps, Placing {
  /** Is its ground another while a finger is on it? */
  sinks?: boolean;
  ref?: Ref<View>;
}

/** A part to be pressed that is no button of words: a row, a tile, a drawing. */
export function PressBox(props: PressBoxProps) {
  const [place, { style, sinks, ...rest }] = placed(props);
  const usual = typeof style === 'function' ? place : [place, style];
  return (
    <Pressable
      {...rest}
      style={
        sinks || typeof style === 'function'
          ? (state) => [usual, typeof style === 'function' && style(state), sinks && state.pressed && styles.sunk]
          : usual
      }
    />
  );
}

const styles = StyleSheet.create({ sunk: { backgroundColor: colour.edge } });
