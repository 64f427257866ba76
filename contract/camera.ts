import { Shot } from '@plesion/core/camera/schema';
import { z } from 'zod';

/** A photograph by the simulated field camera. */
export const ShotRequest = Shot.extend({ guide: z.uuid() });
export type ShotRequest = z.output<typeof ShotRequest>;

export const ShotTaken = z.object({ id: z.uuid() });
export type ShotTaken = z.output<typeof ShotTaken>;
