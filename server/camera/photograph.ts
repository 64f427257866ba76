import { type Framed, type Shot, STROKES } from '@plesion/core/camera';
import type { Ink, PlanName } from '@plesion/core/plates';
import sharp from 'sharp';
import { addGrain, groundOf } from './ground';

/** Grain of a photograph where nothing else is said, in shades. */
const USUAL_GRAIN = 5;

const LIGHT_OVER: Record<NonNullable<Shot['light']>, string | undefined> = {
  fair: undefined,
  low: 'rgb(120,130,150)',
  lamp: 'rgb(255,214,160)',
};

/**
 * A photograph of what the camera sees: the specimen on its ground, lit from the upper left with
 * a soft shadow to the lower right, a little out of focus, with grain. The same shot is the same
 * picture, byte for byte.
 *
 * @returns PNG.
 */
export async function photograph(framed: Framed, plan: PlanName, shot: Shot, seed: string): Promise<Buffer> {
  const { width, height, inks, box, blur } = framed;
  const light = shot.light ?? 'fair';
  const raw = { width, height, channels: 3 as const };
  const ground = await groundOf(plan, { light, width, height, seed }, framed.stands);
  const svg = (body: string) =>
    Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${body}</svg>`);
  const lit = LIGHT_OVER[light];
  const specimen = await sharp(svg(inks.map(pathOf).join('') + cardOf(framed)))
    .png()
    .toBuffer();
  const toned = lit
    ? await sharp(specimen)
        .composite([{ input: { create: { width, height, channels: 4, background: lit } }, blend: 'multiply' }])
        .composite([{ input: specimen, blend: 'dest-in' }])
        .png()
        .toBuffer()
    : specimen;
  const reach = Math.max(3, Math.round(Math.min(box.width, box.height) * 0.02));
  const shadow = plan === 'tern' ? undefined : await shadowOf(specimen, width, height, reach);
  const scene = sharp(ground, { raw }).composite([
    ...(shadow ? [{ input: shadow, left: 0, top: 0 }] : []),
    { input: toned, left: 0, top: 0 },
  ]);
  const taken = await scene.removeAlpha().raw().toBuffer();
  const soft = blur >= 0.3 ? await sharp(taken, { raw }).blur(blur).raw().toBuffer() : taken;
  const looked = shot.scaleBar === 'graticule' ? await throughEyepiece(soft, framed) : soft;
  addGrain(looked, shot.noise ?? USUAL_GRAIN, seed);
  return sharp(looked, { raw }).png({ compressionLevel: 6 }).toBuffer();
}

const pathOf = ({ d, fill, stroke, strokeWidth, opacity }: Ink): string =>
  `<path d="${d}" fill-rule="evenodd" fill="${fill ?? 'none'}"${stroke ? ` stroke="${stroke}" stroke-width="${(strokeWidth ?? 1).toFixed(2)}" stroke-linecap="round" stroke-linejoin="round"` : ''}${opacity === undefined ? '' : ` opacity="${opacity}"`}/>`;

/** What lies on the ground keeps the light from it, towards the lower right. */
async function shadowOf(specimen: Buffer, width: number, height: number, reach: number): Promise<Buffer> {
  const shape = await sharp(specimen).extractChannel(3).linear(0.5, 0).blur(reach).raw().toBuffer();
  const moved = Buffer.alloc(width * height * 4);
  for (let y = reach; y < height; y++)
    for (let x = reach; x < width; x++) moved[4 * (y * width + x) + 3] = shape[(y - reach) * width + x - reach];
  return sharp(moved, { raw: { width, height, channels: 4 } })
    .png()
    .toBuffer();
}

/** The round field of a microscope, with the graticule that lies in its eyepiece: sharp, whatever is in focus. */
async function throughEyepiece(pixels: Buffer, { width, height, card }: Framed): Promise<Buffer> {
  const [x, y, radius] = [width / 2, height / 2, height * 0.485];
  const circle = `M${x - radius} ${y}a${radius} ${radius} 0 1 0 ${2 * radius} 0a${radius} ${radius} 0 1 0 ${-2 * radius} 0z`;
  const strokes = card.map(({ at: [cx, cy] }, i) => {
    const long = i % 5 === 0 ? 22 : 13;
    const number =
      i % 5 === 0
        ? `<text x="${cx}" y="${cy - 30}" font-family="sans-serif" font-size="20" text-anchor="middle" fill="#111">${i}</text>`
        : '';
    return `<path d="M${cx} ${cy - long}v${2 * long}" stroke="#111" stroke-width="2"/>${number}`;
  });
  const [[x0, y0], [x1]] = [card[0].at, card[card.length - 1].at];
  const part = sayMm(card[1].mm[0] - card[0].mm[0]);
  const overlay =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">` +
    `<path d="M0 0h${width}v${height}h${-width}z${circle}" fill="#0b0c0d" fill-rule="evenodd"/>` +
    `<path d="M${x0} ${y0}L${x1} ${y0}" stroke="#111" stroke-width="2"/>${strokes.join('')}` +
    `<text x="${x}" y="${y + radius * 0.9}" font-family="sans-serif" font-size="22" text-anchor="middle" fill="#111">1 part = ${part}</text></svg>`;
  return sharp(pixels, { raw: { width, height, channels: 3 } })
    .composite([{ input: Buffer.from(overlay) }])
    .removeAlpha()
    .raw()
    .toBuffer();
}

/** A bar or a grid of known size, in the plane of the specimen. */
function cardOf({ card }: Framed): string {
  // A graticule lies in the eyepiece and not beside the specimen.
  if (card.length === 0 || card.length === STROKES) return '';
  const at = (i: number) => card[i].at.map((c) => c.toFixed(2)).join(' ');
  const line = (a: number, b: number, width: number) =>
    `<path d="M${at(a)}L${at(b)}" stroke="#111" stroke-width="${width}" fill="none"/>`;
  if (card.length === 2) {
    const [[x0, y0], [x1]] = [card[0].at, card[1].at];
    const tick = (x: number, y: number) => `<path d="M${x} ${y - 9}v18" stroke="#111" stroke-width="2"/>`;
    return (
      `<rect x="${x0 - 14}" y="${y0 - 40}" width="${x1 - x0 + 28}" height="56" fill="#f6f4ec" stroke="#888"/>` +
      line(0, 1, 3) +
      tick(x0, y0) +
      tick(x1, card[1].at[1]) +
      `<text x="${(x0 + x1) / 2}" y="${y0 - 14}" font-family="sans-serif" font-size="20" text-anchor="middle">${sayMm(card[1].mm[0] - card[0].mm[0])}</text>`
    );
  }
  const corners = [0, 2, 8, 6].map(at).join('L');
  return `<path d="M${corners}Z" fill="#f6f4ec"/>` + [0, 1, 2].map((i) => line(3 * i, 3 * i + 2, 2) + line(i, i + 6, 2)).join('');
}

const sayMm = (mm: number) => `${Number(mm.toPrecision(3))} mm`;
