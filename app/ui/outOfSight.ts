import { Platform, type ViewStyle } from 'react-native';

/**
 * What is out of sight is neither laid out nor painted; what has the focus may be ringed a little beyond it. CSS that
 * React Native has no words for: https://www.w3.org/TR/css-contain-2/#content-visibility.
 *
 * @param room that it takes until it was seen once, as `contain-intrinsic-size` says it.
 */
export const outOfSight = (room: string): ViewStyle =>
  Platform.OS === 'web'
    ? ({ contentVisibility: 'auto', containIntrinsicSize: room, overflowClipMargin: '4px' } as ViewStyle)
    : {};
