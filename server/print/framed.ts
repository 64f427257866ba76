import type { Plate } from '@plesion/core/plates';
import type { Box, Item } from './items';
import { HAIR, PAPER } from './palette';

/** A plate in a frame, as large as fits in the middle of it with a margin in points on each side. */
export function framedPlate(plate: Plate, box: Box, margin: number): Item[] {
  const scale = Math.min((box.width - 2 * margin) / plate.box.width, (box.height - 2 * margin) / plate.box.height);
  const dx = box.x + (box.width - plate.box.width * scale) / 2 - plate.box.x * scale;
  const dy = box.y + (box.height - plate.box.height * scale) / 2 - plate.box.y * scale;
  return [
    { kind: 'panel', box, fill: PAPER, stroke: HAIR, radius: 4 },
    ...plate.inks.map(({ d, fill, stroke, strokeWidth, opacity }): Item => ({
      ...{ kind: 'path', d, scale: scale / 100, dx, dy, fill, stroke, width: strokeWidth ?? 1, opacity },
    })),
  ];
}
