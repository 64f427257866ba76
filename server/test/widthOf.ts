import type { MeasurementWrite } from '@plesion/contract';

/** A width of 100 px between two landmarks, at 10 px to the millimetre. */
export const widthOf = (specimenId: string, more: Partial<MeasurementWrite> = {}): MeasurementWrite => ({
  version: 0,
  specimenId,
  character: 'carapace-width',
  protocol: {
    view: 'dorsal',
    landmarks: [
      { id: 'left', label: 'left edge', kind: 'point' },
      { id: 'right', label: 'right edge', kind: 'point' },
    ],
    quantity: { id: 'value', kind: 'length', line: { points: ['left', 'right'] } },
  },
  sets: [{ left: [50, 60], right: [150, 60] }],
  scale: {
    kind: 'lengths',
    references: [
      {
        ends: [
          [10, 150],
          [210, 150],
        ],
        mm: 20,
      },
    ],
  },
  hidden: false,
  ...more,
});
