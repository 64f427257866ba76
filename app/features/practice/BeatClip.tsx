import { clipFrom } from '@plesion/core/camera';
import type { Guide } from '@plesion/core/guide';
import type { Item } from '@plesion/core/practice';
import { seeded } from '@plesion/core/probability';
import { useEffect, useMemo, useState } from 'react';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Stack } from '../../ui/Stack';
import { PlateView } from '../plates/PlateView';
import { planOf } from '../records/plans';

/** Moments of a stroke, as shares of it. */
const STROKE = [0, 0.25, 0.5, 0.75];

interface BeatClipProps {
  guide: Guide;
  item: Item;
  width: number;
  tallest: number;
}

/** An individual in flight, as long as one looks at it; nothing moves before it is asked to. */
export function BeatClip({ guide, item, width, tallest }: BeatClipProps) {
  const clip = useMemo(() => clipFrom(planOf(guide)!, item.traits, item.beats!, seeded(`clip ${item.seed}`)), [guide, item]);
  const [playing, setPlaying] = useState(false);
  const [at, setAt] = useState(0);
  useEffect(() => {
    if (!playing) return;
    const from = performance.now();
    let frame = requestAnimationFrame(function step(clock) {
      setAt((Math.max(0, clock - from) / 1000) % clip.seconds);
      frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, clip]);
  const plate = clip.at(at);
  // One scale for all of a stroke: what beats does not grow and shrink.
  const boxes = useMemo(() => STROKE.map((share) => clip.at(1 + share / item.beats!).box), [clip, item]);
  const most = { width: Math.max(...boxes.map((box) => box.width)), height: Math.max(...boxes.map((box) => box.height)) };
  const scale = Math.min(width / most.width, tallest / most.height);
  return (
    <Stack align="center">
      <Box justify="center" style={{ minHeight: most.height * scale }}>
        <PlateView
          plate={plate}
          width={plate.box.width * scale}
          height={plate.box.height * scale}
          label="One in flight, coming towards you"
        />
      </Box>
      <Button small label={playing ? 'Stop' : 'Play'} onPress={() => setPlaying(!playing)} />
    </Stack>
  );
}
