import Svg, { Path } from 'react-native-svg';
import { colour } from '../theme';

const SHELL = 'M32 10c10 0 20 5 22 15 2 12-8 27-22 29C18 52 8 37 10 25 12 15 22 10 32 10z';

/** The character of Plesion: one contour, doubled and slightly offset. */
export function Logo({ size = 48, color = colour.kelp }: { size?: number; color?: string }) {
  return (
    <Svg width={size} height={size} viewBox="0 0 68 64" aria-hidden>
      <Path d={SHELL} fill="none" stroke={color} strokeWidth={3.2} />
      <Path d={SHELL} transform="translate(5 -3)" fill="none" stroke={colour.for} strokeWidth={2} opacity={0.85} />
    </Svg>
  );
}
