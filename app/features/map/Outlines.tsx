import type { Guide } from '@plesion/core/guide';
import type { GeoProjection } from 'd3-geo';
import { Circle, G, Line, Path, Text as SvgText } from 'react-native-svg';
import { colour, font } from '../../theme';
import type { Size } from './ground';
import { Overlay } from './Overlay';

/** A part of the area as it is drawn: degrees of longitude and latitude in turn. */
export interface Outline {
  key: string;
  label: string;
  points: readonly (readonly [number, number])[];
  /** It is being drawn: its points are shown. */
  on: boolean;
  /** The point of it that is taken up, to be set elsewhere. */
  held?: number;
}

/** Regions of a guide as they are drawn, those that are. */
export const outlinesIn = (regions: Guide['regions']): Outline[] =>
  regions.flatMap(({ id, label, outline }) => (outline ? [{ key: id, label, points: outline, on: false }] : []));

/** Half a cross, in pixels. */
const CROSS = 11;
const DOT = 5;
/** Pixels from an outline up to its name. */
const ABOVE = 9;

interface OutlinesProps {
  projection: GeoProjection;
  size: Size;
  outlines: readonly Outline[];
  /** One is drawn. */
  aim: boolean;
}

/** Outlines on the ground; and, where one is drawn, a cross in the middle at which a point is set by keys. */
export function Outlines({ projection, size, outlines, aim }: OutlinesProps) {
  const [x, y] = [size.width / 2, size.height / 2];
  return (
    <Overlay size={size}>
      {outlines.map(({ key, label, points, on, held }) => {
        const spots = points.map(([longitude, latitude]) => projection([longitude, latitude]) ?? [-99, -99]);
        if (!spots.length) return null;
        // Above it: the lands within have names of their own.
        const [top] = [...spots].sort((a, b) => a[1] - b[1]);
        return (
          <G key={key}>
            <Path
              d={`M${spots.map((spot) => spot.join(',')).join('L')}${spots.length > 2 ? 'Z' : ''}`}
              fill={colour.kelp}
              fillOpacity={spots.length > 2 ? (on ? 0.2 : 0.08) : 0}
              stroke={colour.kelp}
              strokeWidth={on ? 2.5 : 1.5}
              strokeDasharray={on ? undefined : '5 4'}
            />
            {on &&
              spots.map(([px, py], i) => (
                <Circle
                  key={i}
                  cx={px}
                  cy={py}
                  r={i === held ? DOT + 3 : DOT}
                  fill={i === held ? colour.kelp : colour.sheet}
                  stroke={i === held ? colour.sheet : colour.kelp}
                  strokeWidth={2}
                />
              ))}
            <SvgText x={top[0]} y={top[1] - ABOVE} textAnchor="middle" fontFamily={font.strong} fontSize={13} fill={colour.kelp}>
              {label}
            </SvgText>
          </G>
        );
      })}
      {aim && (
        <>
          <Line x1={x - CROSS} y1={y} x2={x + CROSS} y2={y} stroke={colour.ink} strokeWidth={1.5} />
          <Line x1={x} y1={y - CROSS} x2={x} y2={y + CROSS} stroke={colour.ink} strokeWidth={1.5} />
        </>
      )}
    </Overlay>
  );
}
