import type { BaseMap } from '@plesion/contract';
import { geoPath, type GeoProjection } from 'd3-geo';
import { memo } from 'react';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { colour, font } from '../../theme';
import { graticuleOf, scaleBar, type Size } from './ground';

interface GroundProps {
  map: BaseMap;
  projection: GeoProjection;
  size: Size;
  /** Regions of a guide that are lit: where a kind occurs. */
  lit: ReadonlySet<string>;
}

/** The sea grows paler towards a coast: so wide, in pixels. */
const SHALLOWS = [26, 15, 7];
/** From so many pixels on a land is called by its name. */
const NAMED = 26;
/** Pixels at the foot that the scale stands in. */
const FOOT = 36;
/** From so many on the name stands on it, else below it. */
const ROOMY = 90;

/** Sea, graticule, land with its heights, names, and a scale. */
export const Ground = memo(function Ground({ map, projection, size, lit }: GroundProps) {
  const path = geoPath(projection);
  const drawn = map.features.map((feature, i) => {
    const d = path(feature) ?? '';
    const [[west, north], [east, south]] = path.bounds(feature);
    const [x, y] = path.centroid(feature);
    const { name, kind, regions = [] } = feature.properties ?? {};
    const isLand = feature.geometry.type.endsWith('Polygon');
    const wide = Math.max(east - west, south - north);
    return {
      key: i,
      d,
      x,
      y,
      name,
      wide,
      south,
      height: kind === 'height',
      isLand,
      lit: regions.some((region) => lit.has(region)),
    };
  });
  const land = drawn.filter(({ isLand, height }) => isLand && !height);
  const { lines, meridians, parallels } = graticuleOf(projection, size);
  const bar = scaleBar(projection, size);
  return (
    <Svg width={size.width} height={size.height} aria-hidden>
      <Rect width={size.width} height={size.height} fill={colour.kelpWash} />
      <Path d={path(lines) ?? ''} stroke={colour.kelp} strokeOpacity={0.14} strokeWidth={1} fill="none" />
      {SHALLOWS.map((width) => (
        <G key={width}>
          {land.map(({ key, d }) => (
            <Path
              key={key}
              d={d}
              stroke={colour.sheet}
              strokeOpacity={0.38}
              strokeWidth={width}
              strokeLinejoin="round"
              fill="none"
            />
          ))}
        </G>
      ))}
      {land.map(({ key, d, lit: on }) => (
        <G key={key}>
          <Path d={d} fill={colour.sheet} stroke={colour.kelp} strokeWidth={1.4} strokeLinejoin="round" />
          {on && <Path d={d} fill={colour.kelp} fillOpacity={0.2} />}
        </G>
      ))}
      {drawn
        .filter(({ height }) => height)
        .map(({ key, d }) => (
          <Path
            key={key}
            d={d}
            fill={colour.mist}
            fillOpacity={0.8}
            stroke={colour.hairline}
            strokeWidth={1}
            strokeDasharray="3 3"
          />
        ))}
      {drawn
        .filter(({ isLand }) => !isLand)
        .map(({ key, d }) => (
          <Path key={key} d={d} fill="none" stroke={colour.quiet} strokeWidth={1} />
        ))}
      {land
        .filter(({ name, wide }) => name && wide > NAMED)
        .map(({ key, x, y, wide, south, name }) => (
          <SvgText
            key={key}
            x={x}
            y={wide > ROOMY ? y + 4 : south + 15}
            textAnchor="middle"
            fontFamily={font.name}
            fontSize={14}
            fill={colour.quiet}
          >
            {name}
          </SvgText>
        ))}
      {meridians.map(({ at, says }) => (
        <SvgText key={says} x={at + 3} y={11} fontFamily={font.text} fontSize={10} fill={colour.quiet}>
          {says}
        </SvgText>
      ))}
      {parallels
        .filter(({ at }) => at < size.height - FOOT)
        .map(({ at, says }) => (
          <SvgText key={says} x={3} y={at - 3} fontFamily={font.text} fontSize={10} fill={colour.quiet}>
            {says}
          </SvgText>
        ))}
      <G transform={`translate(12, ${size.height - 14})`}>
        <Line x1={0} x2={bar.pixels} stroke={colour.ink} strokeWidth={2} />
        <Line y1={-4} y2={4} stroke={colour.ink} strokeWidth={2} />
        <Line x1={bar.pixels} x2={bar.pixels} y1={-4} y2={4} stroke={colour.ink} strokeWidth={2} />
        <SvgText x={bar.pixels / 2} y={-6} textAnchor="middle" fontFamily={font.medium} fontSize={11} fill={colour.ink}>
          {bar.km < 1 ? `${bar.km * 1000} m` : `${bar.km} km`}
        </SvgText>
      </G>
    </Svg>
  );
});
