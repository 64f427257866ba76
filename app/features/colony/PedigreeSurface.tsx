import { CELL, type Chart, HALF } from '@plesion/core/pedigree';
import type { SymbolFacts } from '@plesion/core/pedigree';
import type { Plate } from '@plesion/core/plates';
import { useMemo, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { usePointers } from '../../lib/usePointers';
import { Box } from '../../ui/Box';
import { ZoomButtons } from '../../ui/ZoomButtons';
import { fit, inSight, moved, pinched, type View as Lying, wheeled, zoomAt } from '../measure/view';
import { PedigreeDrawing } from './PedigreeDrawing';

interface Props {
  chart: Chart;
  facts: ReadonlyMap<string, SymbolFacts>;
  plateOf: (id: string) => { key: string; plate: Plate } | undefined;
  strains: readonly string[];
  chosen?: string;
  onChoose: (id: string | undefined) => void;
  /** From one to another by the arrow keys: parents above, young below, the neighbours at the sides. */
  stepFrom: (id: string, key: string) => string | undefined;
  height: number;
  /** In words, for whoever does not see it. */
  says: string;
}

const PAN = 60;
const STEP = 1.5;
/** Pixels that a finger may tremble and still touch. */
const TREMBLE = 8;
/** From this size on plates are drawn in the symbols. */
const PLATES_FROM = 0.5;
/** A symbol is no larger than this at the start. */
const USUAL = 1;

const PANS: Record<string, [number, number]> = {
  ArrowLeft: [PAN, 0],
  ArrowRight: [-PAN, 0],
  ArrowUp: [0, PAN],
  ArrowDown: [0, -PAN],
};

/** The page does not move under the finger that moves the drawing. */
const GRABBED = { touchAction: 'none', cursor: 'grab' } as object;

/** A pedigree that is moved and enlarged by fingers, wheel, keys and buttons. */
export function PedigreeSurface({ chart, facts, plateOf, strains, chosen, onChoose, stepFrom, height, says }: Props) {
  const [width, setWidth] = useState(0);
  const size = useMemo(() => ({ width, height }), [width, height]);
  const [lying, setLying] = useState<{ view: Lying; of: Chart }>();
  const surface = useRef<HTMLElement>(null);
  const begun = useRef<[number, number] | undefined>(undefined);
  // Another drawing lies as a new one does, until somebody moves it.
  const view = lying?.of === chart ? lying.view : startOf(chart, size, chosen);
  const setView = (of: (now: Lying) => Lying) =>
    setLying((now) => ({ view: of(now?.of === chart ? now.view : startOf(chart, size, chosen)), of: chart }));
  const nearer = (factor: number, at: [number, number] = [width / 2, height / 2]) =>
    setView((now) => zoomAt(now, factor, at, chart, size));
  const choose = (id: string | undefined) => {
    onChoose(id);
    const found = chart.symbols.find((one) => one.id === id);
    if (found) setView((now) => inSight(now, [found.x, found.y], chart, size));
  };
  usePointers(surface, {
    onBegin: (at) => (begun.current = [at[0], at[1]]),
    onDrag: (at, by) => {
      if (begun.current && Math.hypot(at[0] - begun.current[0], at[1] - begun.current[1]) > TREMBLE) begun.current = undefined;
      if (!begun.current) setView((now) => moved(now, by, chart, size));
    },
    onEnd: ([x, y], cancelled) => {
      if (begun.current && !cancelled) {
        const [px, py] = [(x - view.x) / view.scale, (y - view.y) / view.scale];
        const touched = chart.symbols.find((one) => Math.abs(one.x - px) < HALF + 8 && Math.abs(one.y - py) < HALF + 14);
        onChoose(touched?.id);
      }
      begun.current = undefined;
    },
    onPinch: (factor, about, by) => setView((now) => pinched(now, factor, about, by, chart, size)),
    onWheel: (by, at, sideways) => setView((now) => wheeled(now, by, at, sideways, chart, size)),
  });
  const press = (event: { key: string; preventDefault: () => void }) => {
    const by = PANS[event.key];
    if (by && chosen !== undefined) choose(stepFrom(chosen, event.key) ?? chosen);
    else if (by) setView((now) => moved(now, by, chart, size));
    else if (event.key === '+' || event.key === '=') nearer(STEP);
    else if (event.key === '-') nearer(1 / STEP);
    else if (event.key === '0') setView(() => fit(chart, size));
    else if (event.key === 'Home') choose(chart.symbols.at(0)?.id);
    else if (event.key === 'Escape') onChoose(undefined);
    else return;
    event.preventDefault();
  };
  const sight = useSight(view, size);
  return (
    <Box
      ruled="round"
      ruledIn="hairline"
      clip
      round="l"
      tone="sheet"
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
        {width > 0 && (
          <PedigreeDrawing
            {...{ chart, facts, strains, chosen, view, size, sight }}
            plateOf={view.scale >= PLATES_FROM ? plateOf : undefined}
          />
        )}
      </View>
      <ZoomButtons what="pedigree" nearer={nearer} all={() => setView(() => fit(chart, size))} />
    </Box>
  );
}

/** All of it where that can be read; else at its usual size, from whoever is chosen or from the founders. */
function startOf(chart: Chart, size: { width: number; height: number }, chosen: string | undefined): Lying {
  const whole = fit(chart, size);
  if (whole.scale >= PLATES_FROM) return zoomAt(whole, Math.min(1, USUAL / whole.scale), [0, 0], chart, size);
  const first = chart.symbols.find(({ id }) => id === chosen) ?? chart.symbols.at(0);
  const near = zoomAt(whole, 0.7 / whole.scale, [0, 0], chart, size);
  return first ? inSight(near, [first.x, first.y], chart, size) : near;
}

/** What is in sight, in steps of a place: while the drawing is moved within one, nothing is drawn anew. */
function useSight({ scale, x, y }: Lying, { width, height }: { width: number; height: number }) {
  const step = (at: number, away: -1 | 1) => (Math.floor(at / CELL) + away) * CELL;
  const [left, top] = [step(-x / scale, -1), step(-y / scale, -1)];
  const [right, bottom] = [step((width - x) / scale, 1) + CELL, step((height - y) / scale, 1) + CELL];
  return useMemo(() => ({ x: left, y: top, width: right - left, height: bottom - top }), [left, top, right, bottom]);
}

const styles = StyleSheet.create({
  surface: { ...StyleSheet.absoluteFill, outlineOffset: -3 },
});
