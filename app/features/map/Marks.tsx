import type { GeoProjection } from 'd3-geo';
import { Circle, G, Line, Path, Text as SvgText } from 'react-native-svg';
import { colour, font } from '../../theme';
import type { Cluster } from './clusters';
import type { Size } from './ground';
import { Overlay } from './Overlay';
import type { Way } from './ways';

/** Pixels that a mark is wide from its middle: it grows with the root of what it stands for. */
export const radiusOf = (n: number): number => Math.min(30, 9 + Math.sqrt(n) * 0.7);

interface MarksProps {
  projection: GeoProjection;
  size: Size;
  clusters: readonly Cluster[];
  chosen?: string;
  ways: readonly Way[];
  /** Where a specimen was seen. */
  here?: { longitude: number; latitude: number };
}

/** Records on the ground, the ways of an individual, and a specimen. */
export function Marks({ projection, size, clusters, chosen, ways, here }: MarksProps) {
  const spot = ({ longitude, latitude }: { longitude: number; latitude: number }) =>
    projection([longitude, latitude]) ?? [-99, -99];
  const at = here && spot(here);
  return (
    <Overlay size={size}>
      {clusters.map((cluster) => {
        const [x, y] = spot(cluster);
        const on = cluster.key === chosen;
        return (
          <G key={cluster.key}>
            <Circle
              cx={x}
              cy={y}
              r={radiusOf(cluster.n)}
              fill={on ? colour.kelp : colour.sheet}
              fillOpacity={0.92}
              stroke={colour.kelp}
              strokeWidth={2}
            />
            <SvgText
              x={x}
              y={y + 4}
              textAnchor="middle"
              fontFamily={font.strong}
              fontSize={cluster.n > 999 ? 10 : 12}
              fill={on ? colour.sheet : colour.kelp}
            >
              {cluster.n}
            </SvgText>
          </G>
        );
      })}
      {ways.map(({ key, from, to, says }) => {
        const [[x1, y1], [x2, y2]] = [spot(from), spot(to)];
        const far = Math.hypot(x2 - x1, y2 - y1);
        return (
          <G key={key}>
            <Line x1={x1} y1={y1} x2={x2} y2={y2} stroke={colour.hazard} strokeWidth={2} strokeDasharray="6 4" />
            <Circle cx={x2} cy={y2} r={5} fill={colour.hazard} />
            {far > 60 && (
              <SvgText
                x={(x1 + x2) / 2}
                y={(y1 + y2) / 2 - 6}
                textAnchor="middle"
                fontFamily={font.strong}
                fontSize={12}
                fill={colour.ink}
                stroke={colour.sheet}
                strokeWidth={0.4}
              >
                {says}
              </SvgText>
            )}
          </G>
        );
      })}
      {at && (
        <G transform={`translate(${at[0]}, ${at[1]})`}>
          <Path
            d="M0 0 C-14 -16 -10 -30 0 -30 C10 -30 14 -16 0 0 Z"
            fill={colour.hazard}
            stroke={colour.sheet}
            strokeWidth={1.5}
          />
          <Circle cy={-20} r={4} fill={colour.sheet} />
        </G>
      )}
    </Overlay>
  );
}
