import type { PixelPoint } from '@plesion/core/measure';
import { StyleSheet } from 'react-native';
import Svg, { Circle, G, Path, Text as SvgText } from 'react-native-svg';
import { font } from '../../theme';
import { pointsOf, type Step } from './steps';
import type { Table } from './table';
import { type Size, toScreen, type View } from './view';

/** On a photo, whatever its look: dark under pale. */
const UNDER = 'rgba(8,14,13,.75)';
const INK = '#fff';

interface PointMarksProps {
  steps: readonly Step[];
  table: Table;
  view: View;
  room: Size;
  aim?: PixelPoint;
  /** A path to where the finger aims. */
  ahead?: readonly PixelPoint[];
}

/** What was set, by its number; of the scale square, of a thing to be counted a ring with its count. */
export function PointMarks({ steps, table, view, room, aim, ahead }: PointMarksProps) {
  return (
    <Svg width={room.width} height={room.height} style={styles.over} aria-hidden>
      {steps.map((step, i) => (
        <Mark key={step.id} step={step} n={i + 1} table={table} view={view} />
      ))}
      {ahead && ahead.length > 1 && (
        <Path
          d={pathOf(ahead.map((point) => toScreen(view, point)))}
          fill="none"
          stroke={INK}
          strokeWidth={2}
          strokeDasharray="3 3"
        />
      )}
      {aim && <CrossHair at={toScreen(view, aim)} />}
    </Svg>
  );
}

const pathOf = (points: readonly PixelPoint[]): string =>
  points.map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`).join('');

function Mark({ step, n, table, view }: { step: Step; n: number; table: Table; view: View }) {
  const places = pointsOf(table.points, step.id).map((point) => toScreen(view, point));
  if (places.length === 0) return null;
  const line = step.kind === 'path' || step.kind === 'outline';
  const d = pathOf(places) + (step.kind === 'outline' ? 'z' : '');
  return (
    <G>
      {line && <Path d={d} fill="none" stroke={UNDER} strokeWidth={4} />}
      {line && (
        <Path d={d} fill="none" stroke={INK} strokeWidth={1.6} strokeDasharray={step.kind === 'outline' ? '6 3' : undefined} />
      )}
      {places.map(([x, y], k) => {
        const held = table.held?.id === step.id && table.held.n === k;
        const labelled = !line || k === 0;
        return (
          <G key={k}>
            <Target x={x} y={y} held={held} step={step} small={line && places.length > 12} />
            {labelled && (
              <>
                <SvgText x={x + 11} y={y - 9} fontSize={14} fontFamily={font.bold} stroke={UNDER} strokeWidth={4} fill={UNDER}>
                  {step.kind === 'markers' ? k + 1 : n}
                </SvgText>
                <SvgText x={x + 11} y={y - 9} fontSize={14} fontFamily={font.bold} fill={INK}>
                  {step.kind === 'markers' ? k + 1 : n}
                </SvgText>
              </>
            )}
          </G>
        );
      })}
    </G>
  );
}

function Target({ x, y, held, step, small }: { x: number; y: number; held: boolean; step: Step; small: boolean }) {
  if (small && !held) return <Circle cx={x} cy={y} r={1.6} fill={INK} stroke={UNDER} strokeWidth={0.8} />;
  const r = step.kind === 'markers' ? 8 : 7;
  const shape = step.scale
    ? `M${x - r} ${y - r}h${2 * r}v${2 * r}h${-2 * r}z`
    : `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;
  const cross = `M${x - 3} ${y}h6M${x} ${y - 3}v6`;
  return (
    <G>
      <Path d={shape} fill="none" stroke={UNDER} strokeWidth={held ? 6 : 4} />
      <Path d={shape} fill="none" stroke={INK} strokeWidth={held ? 3 : 1.6} />
      <Path d={cross} stroke={UNDER} strokeWidth={2.4} />
      <Path d={cross} stroke={INK} strokeWidth={1} />
    </G>
  );
}

function CrossHair({ at: [x, y] }: { at: PixelPoint }) {
  const d = `M${x - 24} ${y}h18M${x + 6} ${y}h18M${x} ${y - 24}v18M${x} ${y + 6}v18`;
  return (
    <G>
      <Path d={d} stroke={UNDER} strokeWidth={4} />
      <Path d={d} stroke={INK} strokeWidth={1.6} />
    </G>
  );
}

const styles = StyleSheet.create({ over: { position: 'absolute', left: 0, top: 0, pointerEvents: 'none' } });
