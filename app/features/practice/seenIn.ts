import type { Asked } from '@plesion/core/practice';
import type { ViewStyle } from 'react-native';

/** Against the light all is dark and without colour; at dusk nearly so; far off it is small and its edges swim. */
const LIGHTS: Record<string, string> = { glare: 'brightness(0.28) saturate(0)', dusk: 'brightness(0.55) saturate(0.12)' };
const FAR = 0.38;

/** How a drawing looks in the light and from the distance in which it is seen. */
export function seenIn({ light = 'fair', distance }: NonNullable<Asked['situation']> = {}): ViewStyle {
  const filters = [LIGHTS[light], distance === 'far' && 'blur(0.8px)'].filter(Boolean).join(' ');
  return { ...(filters ? { filter: filters } : {}), ...(distance === 'far' ? { transform: [{ scale: FAR }] } : {}) };
}
