import { curveAt, MONTHS } from '@plesion/core/guide';
import { useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { usePointers } from '../../lib/usePointers';
import { colour, radius } from '../../theme';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';

const HEIGHT = 120;
const STEP = 0.1;
const KEYS: Record<string, number> = { ArrowUp: STEP, ArrowDown: -STEP, PageUp: 3 * STEP, PageDown: -3 * STEP };

const day = (month: number): string => `${String(month + 1).padStart(2, '0')}-15`;
const round = (level: number): number => Math.min(1, Math.max(0, Math.round(level * 20) / 20));
const percent = (level: number): string => `${Math.round(100 * level)} in 100`;

interface Props {
  of: string;
  /** Points of the curve; nothing where nothing is drawn yet. */
  curve?: [string, number][];
  onDraw: (curve?: [string, number][]) => void;
}

/**
 * How much of it there is over the year, drawn by hand: a finger goes along the months, or the arrows of the keyboard
 * go from month to month and raise and lower each. What it is in its best month is 1.
 */
export function YearCurve({ of, curve, onDraw }: Props) {
  const kept = MONTHS.map((_, month) => (curve ? curveAt(curve, day(month)) : 0));
  const [drawing, setDrawing] = useState<number[]>();
  const [at, setAt] = useState(0);
  const levels = drawing ?? kept;
  const board = useRef<View>(null);
  const draw = (so: readonly number[]) => onDraw(so.map((level, month) => [day(month), level]));
  const atPoint = ([x, y]: readonly [number, number], so: readonly number[]) => {
    const width = (board.current as unknown as HTMLElement).clientWidth;
    const month = Math.max(0, Math.min(11, Math.floor((12 * x) / width)));
    setAt(month);
    return so.with(month, round(1 - y / HEIGHT));
  };
  usePointers(board as never, {
    onBegin: (point) => setDrawing(atPoint(point, kept)),
    onDrag: (point) => setDrawing((so) => atPoint(point, so ?? kept)),
    onEnd: (_, cancelled) => {
      if (drawing && !cancelled) draw(drawing);
      setDrawing(undefined);
    },
    onPinch: () => undefined,
    onWheel: () => undefined,
  });
  const press = (month: number) => (event: { key: string; preventDefault: () => void }) => {
    const by = KEYS[event.key];
    const go = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (by === undefined && go === 0) return;
    event.preventDefault();
    if (by !== undefined) return draw(levels.with(month, round(levels[month] + by)));
    const next = (month + go + 12) % 12;
    setAt(next);
    ((board.current as unknown as HTMLElement).children[next] as HTMLElement).focus();
  };
  return (
    <Stack>
      <Text size="small" strong quiet>{`Over the year: ${of}`}</Text>
      <View ref={board} role="group" aria-label={`${of} over the year`} style={styles.board}>
        {levels.map((level, month) => (
          <Box
            key={MONTHS[month]}
            role="slider"
            aria-label={MONTHS[month]}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.round(100 * level)}
            aria-valuetext={percent(level)}
            tabIndex={month === at ? 0 : -1}
            {...({ onKeyDown: press(month), 'aria-orientation': 'vertical' } as object)}
            align="center"
            justify="end"
            fill
            least={0}
          >
            <View style={[styles.bar, { height: Math.max(2, level * (HEIGHT - 22)) }]} />
            <Text size="small" quiet aria-hidden>
              {MONTHS[month][0]}
            </Text>
          </Box>
        ))}
      </View>
      <Row align="center">
        <Text size="small" quiet>
          {curve ? `${MONTHS[at]}: ${percent(levels[at])}` : 'Nothing is drawn: any day is as good as another.'}
        </Text>
        {curve && <Button small kind="quiet" label="Remove the year" onPress={() => onDraw(undefined)} />}
      </Row>
    </Stack>
  );
}

const styles = StyleSheet.create({
  board: {
    flexDirection: 'row',
    height: HEIGHT,
    maxWidth: 560,
    borderWidth: 1,
    borderColor: colour.quiet,
    borderRadius: radius.m,
    ...({ touchAction: 'pan-y', cursor: 'crosshair' } as object),
  },
  bar: { width: '70%', backgroundColor: colour.kelp, borderTopLeftRadius: 3, borderTopRightRadius: 3 },
});
