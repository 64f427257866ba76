import { useEffect, useState } from 'react';
import type { ViewStyle } from 'react-native';
import { afterPaint } from '../lib/whenIdle';
import { outOfSight } from './outOfSight';

const ROOM = 'auto 1px auto 200px';
// What room a thing takes is remembered from before it goes out of sight only if it says so from the first.
const SEEN = { containIntrinsicSize: ROOM } as ViewStyle;
const AT_REST = outOfSight(ROOM);

const CAN = typeof CSS !== 'undefined' && CSS.supports('content-visibility', 'auto');

/**
 * What is out of sight is neither laid out nor painted again once the page has come to rest, and keeps the room that it
 * took: a touch is answered sooner on a long page, and one who comes back to it still finds the place.
 */
export function useAtRest(): ViewStyle {
  const [rests, setRests] = useState(false);
  useEffect(() => (CAN ? afterPaint(() => setRests(true)) : undefined), []);
  return rests ? AT_REST : SEEN;
}
