import type { Character, Guide, Protocol } from '@plesion/core/guide';
import { matchOf, type PointSet } from '@plesion/core/measure';
import type { Point } from '@plesion/core/plates';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { colour } from '../../theme';
import { measuresOn, overPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';

interface ExampleProps {
  guide: Guide;
  form: string;
  character: Character;
  protocol: Protocol;
  /** The landmark at hand. */
  active: string;
  width: number;
  height: number;
  /** What was set so far: two of its places say how the animal lies on the photo. */
  points?: PointSet;
}

/** The plate beside the photo, with the place that is to be set next. */
export function Example({ guide, form, character, protocol, active, width: room, height: most, points }: ExampleProps) {
  const drawn = measuresOn(guide, form, character);
  if (!drawn) return null;
  const { plate, measures } = drawn;
  const { width, height, to, path } = overPlate(plate, room, most);
  const shown = exampleOf(
    protocol,
    measures.map(({ line }) => line),
    active,
  );
  const turn = turnOf(
    protocol,
    measures.map(({ line }) => line),
    points,
  );
  const label = protocol.landmarks.find(({ id }) => id === active)?.label;
  return (
    <View
      style={{
        width,
        height,
        ...(turn ? { transform: [{ rotate: `${turn.toFixed(1)}deg` }, { scale: within(width, height, turn) }] } : {}),
      }}
      role="img"
      aria-label={label ? `On the plate: ${label}` : 'The plate'}
    >
      <PlateView plate={plate} width={width} height={height} />
      <Svg width={width} height={height} style={{ position: 'absolute', overflow: 'visible' }} aria-hidden>
        {measures.map(({ line, name }) => (
          <Path key={name} d={path(line)} stroke={colour.kelp} strokeWidth={1.5} strokeDasharray="4 3" fill="none" />
        ))}
        {shown?.length === 1 && (
          <>
            <Circle cx={to(shown[0])[0]} cy={to(shown[0])[1]} r={9} fill="none" stroke={colour.sheet} strokeWidth={5} />
            <Circle cx={to(shown[0])[0]} cy={to(shown[0])[1]} r={9} fill="none" stroke={colour.hazard} strokeWidth={2.5} />
          </>
        )}
        {shown && shown.length > 1 && <Path d={path(shown)} stroke={colour.hazard} strokeWidth={3.5} fill="none" />}
      </Svg>
    </View>
  );
}

/** How much smaller something is to be drawn, so that it keeps to its room when it is turned by so many degrees. */
function within(width: number, height: number, turn: number): number {
  const [sin, cos] = [Math.abs(Math.sin((turn * Math.PI) / 180)), Math.abs(Math.cos((turn * Math.PI) / 180))];
  return Math.min(width / (width * cos + height * sin), height / (width * sin + height * cos));
}

/** By how much the plate is turned to lie as the animal does on the photo: told by two landmarks that are set on both. */
export function turnOf(protocol: Protocol, lines: readonly (readonly Point[])[], points: PointSet = {}): number {
  const both = protocol.landmarks.flatMap(({ id, kind }): [Point, Point][] => {
    const drawn = exampleOf(protocol, lines, id);
    const set = points[id];
    return kind === 'point' && drawn?.length === 1 && set && typeof set[0] === 'number' ? [[drawn[0], set as Point]] : [];
  });
  if (both.length < 2) return 0;
  const [[p, r], [q, s]] = both;
  const match = matchOf([[...p], [...q]], [[...r], [...s]]);
  return match ? (Math.atan2(match.b, match.a) * 180) / Math.PI : 0;
}

/** Where a landmark lies on the lines that the plate is measured along: one point, or a curve; undefined where it is not drawn. */
export function exampleOf(
  { quantity, landmarks }: Protocol,
  lines: readonly (readonly Point[])[],
  id: string,
): readonly Point[] | undefined {
  const asked =
    quantity.kind === 'ratio' ? [quantity.numerator, quantity.denominator] : quantity.kind === 'length' ? [quantity.line] : [];
  if (quantity.kind === 'angle') {
    const n = quantity.points.indexOf(id);
    return n >= 0 && lines[0]?.[n] ? [lines[0][n]] : undefined;
  }
  for (const [i, { points }] of asked.entries()) {
    const n = points.indexOf(id);
    const line = lines[i];
    if (n < 0 || !line) continue;
    if (landmarks.find((one) => one.id === id)?.kind === 'path') return line;
    return [n === 0 ? line[0] : line[line.length - 1]];
  }
  return undefined;
}
