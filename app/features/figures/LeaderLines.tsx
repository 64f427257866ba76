import Svg, { Circle, Path } from 'react-native-svg';
import { StyleSheet } from 'react-native';
import { colour } from '../../theme';

interface Props {
  /** Places on the picture, as shares of its width and height, and where the label of each begins, in px from above. */
  lines: readonly { x: number; y: number; to: number }[];
  width: number;
  height: number;
  /** From the edge of the picture to the labels. */
  gap: number;
  /** Where the labels begin, where they lie on the picture itself, in px from the left. */
  end?: number;
}

/** Lines from places on a picture to what is written beside it; seen on light and on dark. */
export function LeaderLines({ lines, width, height, gap, end = width }: Props) {
  return (
    <Svg width={width + gap} height={height} style={styles.over} aria-hidden>
      {lines.map(({ x, y, to }) => {
        const d = `M${x * width} ${y * height}L${end} ${to}H${end + gap}`;
        return [
          <Path key={`${x} ${y} around`} d={d} stroke={colour.paper} strokeWidth={4} fill="none" />,
          <Path key={`${x} ${y}`} d={d} stroke={colour.ink} strokeWidth={1.5} fill="none" />,
          <Circle
            key={`${x} ${y} place`}
            cx={x * width}
            cy={y * height}
            r={4}
            fill={colour.ink}
            stroke={colour.paper}
            strokeWidth={2}
          />,
        ];
      })}
    </Svg>
  );
}

const styles = StyleSheet.create({ over: { position: 'absolute', left: 0, top: 0, pointerEvents: 'none' } });
