import type { GestureResponderEvent } from 'react-native';

/** Where it was pressed, from the upper left of what was pressed: a browser's click carries it in the window's terms only. */
export function pressedAt({ nativeEvent, currentTarget }: GestureResponderEvent): [number, number] {
  if (nativeEvent.locationX !== undefined) return [nativeEvent.locationX, nativeEvent.locationY];
  const click = nativeEvent as unknown as MouseEvent;
  const { left, top } = (currentTarget as unknown as HTMLElement).getBoundingClientRect();
  return [click.clientX - left, click.clientY - top];
}
