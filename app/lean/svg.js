import { createElement } from 'react';
import { StyleSheet } from 'react-native';

/**
 * What the screens draw with, as the page's own elements. A plate has hundreds of paths:
 * each is one element and nothing more.
 */
export default function Svg({ style, ...props }) {
  return createElement('svg', style ? { ...props, style: StyleSheet.flatten(style) } : props);
}

export const G = ({ onPress, ...props }) => createElement('g', onPress ? { ...props, onClick: onPress } : props);
export const Text = ({ onPress, ...props }) => createElement('text', onPress ? { ...props, onClick: onPress } : props);
export const Circle = 'circle';
export const Defs = 'defs';
export const Line = 'line';
export const Path = 'path';
export const Pattern = 'pattern';
export const Rect = 'rect';
export const Use = 'use';
