import type { Ref } from 'react';
import { View, type ViewProps } from 'react-native';
import { type Placing, placed } from './placing';

export interface BoxProps extends ViewProps, Placing {
  ref?: Ref<View>;
}

/** A part with a place, an edge or a ground. */
export function Box(props: BoxProps) {
  const [style, { style: own, ...rest }] = placed(props);
  return <View {...rest} style={own ? [style, own] : style} />;
}
