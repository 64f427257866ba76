import { z } from 'zod';
import { VEILS } from '../plates/conceal';
import { key } from '../observation/schema';

export const CAMERA_DISTANCES = ['hand', 'near', 'far'] as const;
export const CAMERA_LIGHTS = ['fair', 'low', 'lamp'] as const;
/** Nothing, a bar or a grid beside it; or the round field of a microscope with a scale across it. */
export const SCALE_CARDS = ['none', 'bar', 'grid', 'graticule'] as const;

/** What the simulated field camera is asked for. */
export const Shot = z.strictObject({
  /** A form of the guide; a hidden one where absent. */
  form: key.optional(),
  /** The same seed gives the same photograph. */
  seed: z.string().min(1).max(80).optional(),
  view: key,
  distance: z.enum(CAMERA_DISTANCES).optional(),
  light: z.enum(CAMERA_LIGHTS).optional(),
  /** Degrees that the plane of the specimen is turned away from the camera. */
  tilt: z.number().min(0).max(30).optional(),
  /** Standard deviation of the blur, in pixels. */
  blur: z.number().min(0).max(12).optional(),
  /** Standard deviation of the grain, in shades. */
  noise: z.number().min(0).max(60).optional(),
  concealment: z
    .array(z.strictObject({ veil: z.enum(VEILS), amount: z.number().min(0).max(1) }))
    .max(4)
    .optional(),
  /** Something of a known size beside it. */
  scaleBar: z.enum(SCALE_CARDS).optional(),
  /** How many individuals lie side by side; each of the form, or of one of its own where none is named. */
  specimens: z.number().int().min(1).max(6).optional(),
});
export type Shot = z.infer<typeof Shot>;

const pixel = z.tuple([z.number(), z.number()]).readonly();

/** Who one of the individuals is. */
const Individual = z.object({
  form: z.string(),
  traits: z.record(z.string(), z.union([z.string(), z.number()])),
  /** Of each measured character that this view shows: what it truly is, and where its lines lie. */
  measures: z.array(z.object({ character: z.string(), value: z.number(), unit: z.string(), lines: z.array(z.array(pixel)) })),
});

/** What the camera knows and does not say until it is asked: of the first individual, and of the others. */
export const ShotTruth = Individual.extend({
  guide: z.string(),
  view: z.string(),
  /** At the middle of the specimen. */
  mmPerPixel: z.number(),
  tilt: z.number(),
  /** The two ends of the bar and its length, the crossings of the grid, or the strokes of the graticule: where they are seen. */
  scale: z.array(z.object({ at: pixel, mm: pixel })),
  /** From the second individual on, in reading order; absent where there is one. */
  others: z.array(Individual).optional(),
});
export type ShotTruth = z.infer<typeof ShotTruth>;
