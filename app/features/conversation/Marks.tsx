import type { Place } from '@plesion/contract/conversations';
import { StyleSheet, View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { colour } from '../../theme';
import { PhotoPin } from '../photos/AimedPhoto';

interface MarkProps {
  place: Pick<Place, 'drawn' | 'points'>;
  /** Width to height of the photo. */
  shape: number;
  mark: string | number;
  label?: string;
  color?: string;
}

/** What is drawn over a photo at a place: its number, with a ring about it or a line from it. */
export function Mark({ place, shape, mark, label, color = colour.kelp }: MarkProps) {
  const d = pathOf(place, shape);
  return (
    <>
      {d && (
        <View aria-hidden style={styles.over}>
          <Svg width="100%" height="100%" viewBox="0 0 1 1" preserveAspectRatio="none">
            <Path d={d} fill="none" stroke={colour.sheet} strokeWidth={5} vectorEffect="non-scaling-stroke" />
            <Path d={d} fill="none" stroke={color} strokeWidth={2.5} vectorEffect="non-scaling-stroke" />
          </Svg>
        </View>
      )}
      <PhotoPin {...place.points[0]} mark={mark} label={label} color={color} />
    </>
  );
}

/** The ring or the line, where the photo is one wide and one high; nothing for a pin. */
function pathOf({ drawn, points: [one, two] }: MarkProps['place'], shape: number): string | undefined {
  if (!two) return undefined;
  if (drawn === 'line') return `M${one.x} ${one.y}L${two.x} ${two.y}`;
  const rx = Math.max(0.01, Math.hypot(two.x - one.x, (two.y - one.y) / shape));
  const ry = rx * shape;
  return `M${one.x - rx} ${one.y}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0`;
}

const styles = StyleSheet.create({ over: { position: 'absolute', inset: 0, pointerEvents: 'none' } });
