import { normal, seeded } from '@plesion/core/probability';
import sharp from 'sharp';
import type { PlanName } from '@plesion/core/plates';
import type { Shot } from '@plesion/core/camera';

/** What a photograph is taken on: its colours from dark to light, how coarse it is, and from where the light comes. */
interface Ground {
  dark: [number, number, number];
  light: [number, number, number];
  /** Sizes of its texture, as shares of the picture's width, from coarse to fine, with how strong each is. */
  octaves: [size: number, strength: number][];
}

const SKY: Ground = {
  dark: [140, 172, 186],
  light: [206, 222, 226],
  octaves: [
    [0.6, 0.8],
    [0.2, 0.35],
  ],
};
const SEA: Ground = {
  dark: [78, 110, 120],
  light: [128, 156, 162],
  octaves: [
    [0.5, 0.4],
    [0.05, 0.3],
    [0.012, 0.3],
  ],
};
const ROCK: Ground = {
  dark: [84, 82, 78],
  light: [172, 165, 150],
  octaves: [
    [0.12, 0.5],
    [0.03, 0.6],
    [0.008, 0.5],
  ],
};
const SAND: Ground = {
  dark: [176, 158, 126],
  light: [226, 212, 182],
  octaves: [
    [0.3, 0.3],
    [0.02, 0.25],
    [0.004, 0.7],
  ],
};
const MOSS: Ground = {
  dark: [58, 74, 42],
  light: [142, 152, 96],
  octaves: [
    [0.2, 0.5],
    [0.05, 0.6],
    [0.012, 0.6],
  ],
};
const SHEET: Ground = {
  dark: [206, 196, 168],
  light: [248, 242, 224],
  octaves: [
    [0.8, 0.9],
    [0.01, 0.12],
  ],
};
const FIELD: Ground = {
  dark: [196, 200, 196],
  light: [240, 242, 238],
  octaves: [
    [0.9, 0.7],
    [0.1, 0.15],
  ],
};

const GROUNDS: Record<PlanName, Ground> = { crab: ROCK, cone: SAND, beetle: FIELD, tern: SKY, umbel: MOSS, moth: SHEET };

const LIGHTS: Record<NonNullable<Shot['light']>, { by: number; warm: number }> = {
  fair: { by: 1, warm: 0 },
  low: { by: 0.62, warm: -0.06 },
  lamp: { by: 0.8, warm: 0.18 },
};

/** Random shades of so many cells, smoothed up to the whole picture. */
async function octave(width: number, height: number, size: number, random: () => number): Promise<Buffer> {
  const columns = Math.max(2, Math.min(width, Math.round(1 / size)));
  const rows = Math.max(2, Math.min(height, Math.round((columns * height) / width)));
  const cells = Buffer.from(Uint8Array.from({ length: columns * rows }, () => Math.floor(256 * random())));
  return sharp(cells, { raw: { width: columns, height: rows, channels: 1 } })
    .resize(width, height, { kernel: 'cubic', fit: 'fill' })
    .toColourspace('b-w')
    .raw()
    .toBuffer();
}

/** What a photograph is taken in: its light, its size in pixels, and what its texture is drawn from. */
interface Scene {
  light: NonNullable<Shot['light']>;
  width: number;
  height: number;
  seed: string;
}

/**
 * The ground of a body plan, lit from the upper left, without what lies on it: RGB.
 *
 * @param stands how far down the picture there are feet: birds stand on stone, the lowest at the shore, those above on ledges.
 */
export async function groundOf(plan: PlanName, scene: Scene, stands: readonly number[]): Promise<Buffer> {
  const above = await textured(GROUNDS[plan], scene);
  if (stands.length === 0) return above;
  const { width, height, seed } = scene;
  const [sea, stone] = await Promise.all([textured(SEA, { ...scene, seed: `sea ${seed}` }), textured(ROCK, scene)]);
  const edge = await octave(width, 8, 0.02, seeded(`edge ${seed}`));
  const shore = Math.max(...stands);
  const horizon = Math.round(Math.max(0, shore - height * HORIZON));
  sea.copy(above, 3 * width * horizon, 3 * width * horizon);
  // Far off, sky and sea go over into each other.
  const scenery = await sharp(above, { raw: { width, height, channels: 3 } })
    .blur(5)
    .raw()
    .toBuffer();
  for (const feet of new Set(stands.map(Math.round)))
    for (let x = 0; x < width; x++) {
      // A stone's edge is not straight; the feet stand a little below it.
      const from = Math.max(0, Math.round(feet - height * (0.016 + (0.012 * edge[x]) / 255)));
      const to = feet < shore - height * LEDGE ? Math.min(height, Math.round(feet + height * LEDGE)) : height;
      for (let y = from; y < to; y++) {
        const i = 3 * (y * width + x);
        stone.copy(scenery, i, i, i + 3);
      }
    }
  return scenery;
}

/** How thick a ledge is, as a share of the picture's height. */
const LEDGE = 0.03;

/** How far above the feet at the shore the horizon is, as a share of the picture's height. */
const HORIZON = 0.14;

async function textured({ dark, light: pale, octaves }: Ground, { light, width, height, seed }: Scene): Promise<Buffer> {
  const random = seeded(`ground ${seed}`);
  const layers = await Promise.all(
    octaves.map(async ([size, strength]) => ({ strength, shades: await octave(width, height, size, random) })),
  );
  const total = layers.reduce((sum, { strength }) => sum + strength, 0);
  const { by, warm } = LIGHTS[light];
  const out = new Uint8ClampedArray(width * height * 3);
  const warmth = [0, 1, 2].map((c) => by * (1 + warm * (1 - c)));
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      let shade = 0;
      for (const { strength, shades } of layers) shade += strength * shades[i];
      const side = 1.06 - (0.16 * x) / width - (0.1 * y) / height;
      const t = shade / total / 255;
      for (let c = 0; c < 3; c++) out[3 * i + c] = (dark[c] + (pale[c] - dark[c]) * t) * side * warmth[c];
    }
  }
  return Buffer.from(out.buffer);
}

/** The grain of a small sensor, the same for the same seed: added to the pixels in place. */
export function addGrain(pixels: Buffer, sd: number, seed: string): void {
  if (!(sd > 0)) return;
  const random = seeded(`grain ${seed}`);
  // A long strip of deviates is gone through from a place of chance again and again: nobody sees that.
  const strip = Float32Array.from({ length: 65_536 }, () => sd * normal(random));
  const shades = new Uint8ClampedArray(pixels.buffer, pixels.byteOffset, pixels.length);
  for (let from = 0; from < shades.length; from += 4096) {
    let at = Math.floor(random() * strip.length);
    const end = from + 4096 < shades.length ? from + 4096 : shades.length;
    for (let i = from; i < end; i++) {
      shades[i] += strip[at];
      at = at + 1 === strip.length ? 0 : at + 1;
    }
  }
}
