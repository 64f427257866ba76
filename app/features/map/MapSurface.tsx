import type { BaseMap } from '@plesion/contract';
import { useMemo, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { usePointers } from '../../lib/usePointers';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { ZoomButtons } from '../../ui/ZoomButtons';
import type { Cluster } from './clusters';
import { enlarged, moved, type Pixel, projectionOf, type Sight, sightOf, wholeOf, zoomOf } from './ground';
import { Ground } from './Ground';
import { Marks, radiusOf } from './Marks';
import { type Outline, Outlines } from './Outlines';
import { type Touched, touchedAt } from './touched';
import type { Way } from './ways';

interface MapSurfaceProps {
  map: BaseMap;
  clustersAt: (zoom: number) => Cluster[];
  chosen?: string;
  onChoose: (cluster: Cluster | undefined) => void;
  ways: readonly Way[];
  here?: { longitude: number; latitude: number };
  lit: ReadonlySet<string>;
  height: number;
  /** Parts of the area that are drawn on it. */
  outlines?: readonly Outline[];
  /**
   * A touch sets a point, and so does Enter at the cross in the middle; nothing is chosen then. What of the outline
   * that is drawn lies there is told with it.
   */
  onPlace?: (place: [longitude: number, latitude: number], on: Touched) => void;
  /** In words, for whoever does not see it. */
  says: string;
}

/** About a metre: nobody draws finer. */
const roundDegrees = (degrees: number): number => Math.round(degrees * 1e5) / 1e5;

const STEP = 1.6;
const PAN = 60;
/** Pixels that a finger may tremble and still touch. */
const TREMBLE = 8;
const REACH = 8;

const KEYS: Record<string, Pixel> = { ArrowLeft: [PAN, 0], ArrowRight: [-PAN, 0], ArrowUp: [0, PAN], ArrowDown: [0, -PAN] };

/** The page does not move under the finger that moves the map. */
const GRABBED = { touchAction: 'none', cursor: 'grab' } as object;

/** The ground with records on it: moved and enlarged by fingers, wheel, keys and buttons. */
export function MapSurface({
  map,
  clustersAt,
  chosen,
  onChoose,
  ways,
  here,
  lit,
  height,
  outlines,
  onPlace,
  says,
}: MapSurfaceProps) {
  const [width, setWidth] = useState(0);
  const [sight, setSight] = useState<Sight>(() =>
    sightOf(map, [...ways.flatMap(({ from, to }) => [from, to]), ...(here ? [here] : [])]),
  );
  const surface = useRef<HTMLElement>(null);
  const begun = useRef<Pixel | undefined>(undefined);
  const size = useMemo(() => ({ width, height }), [width, height]);
  const projection = useMemo(() => (width ? projectionOf(map, size, sight) : undefined), [map, size, sight, width]);
  const zoom = projection ? Math.round(zoomOf(projection)) : 0;
  const clusters = useMemo(() => clustersAt(zoom), [clustersAt, zoom]);
  const middle: Pixel = [width / 2, height / 2];
  const nearer = (factor: number, at: Pixel) => setSight((now) => enlarged(map, size, now, factor, at));
  const place = ([x, y]: Pixel) => {
    const spot = projection?.invert!([x, y]);
    const drawn = outlines?.find(({ on }) => on)?.points ?? [];
    const pixels = drawn.map(([longitude, latitude]): Pixel => projection?.([longitude, latitude]) ?? [-99, -99]);
    if (spot) onPlace?.([roundDegrees(spot[0]), roundDegrees(spot[1])], touchedAt(pixels, [x, y]));
  };
  const touch = ([x, y]: Pixel) => {
    const spots = clusters.map((cluster) => {
      const [cx, cy] = projection!([cluster.longitude, cluster.latitude]) ?? [-99, -99];
      return { cluster, off: Math.hypot(cx - x, cy - y) - radiusOf(cluster.n) };
    });
    const [near] = spots.filter(({ off }) => off < REACH).sort((a, b) => a.off - b.off);
    onChoose(near?.cluster);
  };
  usePointers(surface, {
    onBegin: (at) => (begun.current = at),
    onDrag: (at, by) => {
      if (begun.current && Math.hypot(at[0] - begun.current[0], at[1] - begun.current[1]) > TREMBLE) begun.current = undefined;
      setSight((now) => moved(map, size, now, by));
    },
    onEnd: (at, cancelled) => {
      if (begun.current && !cancelled) (onPlace ? place : touch)(at);
      begun.current = undefined;
    },
    onPinch: (factor, about, by) => setSight((now) => enlarged(map, size, moved(map, size, now, by), factor, about)),
    onWheel: ([, dy], at) => nearer(Math.exp(-dy / 400), at),
  });
  const press = (event: { key: string; preventDefault: () => void }) => {
    const by = KEYS[event.key];
    if (by) setSight((now) => moved(map, size, now, by));
    else if (event.key === '+' || event.key === '=') nearer(STEP, middle);
    else if (event.key === '-') nearer(1 / STEP, middle);
    else if (event.key === 'Enter' && onPlace) place(middle);
    else if (event.key === '0') setSight(wholeOf(map));
    else return;
    event.preventDefault();
  };
  return (
    <>
      <Box
        ruled="round"
        ruledIn="hairline"
        clip
        round="l"
        style={{ height }}
        onLayout={({ nativeEvent }) => setWidth(Math.floor(nativeEvent.layout.width))}
      >
        <View
          ref={surface as never}
          role="img"
          aria-label={says}
          tabIndex={0}
          style={[styles.surface, GRABBED]}
          {...({ onKeyDown: press } as object)}
        >
          {projection && (
            <>
              <Ground map={map} projection={projection} size={size} lit={lit} />
              {outlines && <Outlines projection={projection} size={size} outlines={outlines} aim={Boolean(onPlace)} />}
              <Marks projection={projection} size={size} clusters={clusters} chosen={chosen} ways={ways} here={here} />
            </>
          )}
        </View>
        <ZoomButtons what="map" nearer={(factor) => nearer(factor, middle)} all={() => setSight(wholeOf(map))} />
      </Box>
      {onPlace && (
        <Row>
          <Button small label="Set a point at the cross" onPress={() => place(middle)} />
        </Row>
      )}
    </>
  );
}

const styles = StyleSheet.create({
  surface: { ...StyleSheet.absoluteFill, outlineOffset: -3 },
});
