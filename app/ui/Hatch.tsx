import Svg, { Defs, Path, Pattern, Rect } from 'react-native-svg';
import { StyleSheet } from 'react-native';
import { colour } from '../theme';

/** The hatching that stands for "not known". */
export function Hatch() {
  return (
    <Svg style={StyleSheet.absoluteFill} width="100%" height="100%" aria-hidden>
      <Defs>
        <Pattern id="hatch" width={10} height={10} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <Path d="M0 0V10" stroke={colour.hairline} strokeWidth={6} />
        </Pattern>
      </Defs>
      <Rect width="100%" height="100%" fill="url(#hatch)" opacity={0.6} />
    </Svg>
  );
}
