import { conceal, type Plate, plateSvg } from '@plesion/core/plates';
import sharp from 'sharp';

/** A photograph's size, in pixels. */
const WIDTH = 1200;
const HEIGHT = 860;

/** Share of the picture's width that the bird takes up. */
const FILLS = 0.74;

/**
 * The field camera that stands in for a real one: a drawn bird on a pier rail
 * before sky and sea, a little out of focus, with the grain of a small sensor.
 * The same plate and seed give the same photograph.
 */
export async function photograph(plate: Plate, seed: string): Promise<Buffer> {
  // The stone that a plate stands its birds on is no part of the scene.
  const bird = conceal({ ...plate, inks: plate.inks.filter(({ part }) => part !== 'ground') }, [
    { veil: 'blur', amount: 0.06, seed },
  ]);
  const width = Math.round(WIDTH * FILLS);
  const svg = Buffer.from(plateSvg(bird, width, 'bird'));
  const { data, info } = await sharp(svg).png().toBuffer({ resolveWithObject: true });
  const feet = plate.parts.legs ? (plate.parts.legs.y + plate.parts.legs.height - plate.box.y) / plate.box.height : 1;
  const rail = Math.round(HEIGHT * 0.8);
  const scene = await sharp(Buffer.from(background(rail)))
    .blur(3)
    .png()
    .toBuffer();
  const grain = await sharp({
    create: {
      width: WIDTH,
      height: HEIGHT,
      channels: 3,
      background: '#808080',
      noise: { type: 'gaussian', mean: 128, sigma: 9 },
    },
  })
    .png()
    .toBuffer();
  return sharp(scene)
    .composite([
      { input: data, left: Math.round((WIDTH - width) / 2), top: Math.round(rail + 6 - info.height * feet) },
      { input: grain, blend: 'soft-light' },
    ])
    .jpeg({ quality: 88 })
    .toBuffer();
}

const background = (rail: number): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}"><defs>` +
  '<linearGradient id="sky" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#A9C2CC"/><stop offset="1" stop-color="#DCE5E2"/></linearGradient>' +
  '<linearGradient id="sea" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#7D9CA3"/><stop offset="1" stop-color="#55757C"/></linearGradient></defs>' +
  `<rect width="${WIDTH}" height="${HEIGHT}" fill="url(#sky)"/>` +
  `<rect y="${HEIGHT * 0.56}" width="${WIDTH}" height="${HEIGHT * 0.44}" fill="url(#sea)"/>` +
  `<ellipse cx="${WIDTH * 0.82}" cy="${HEIGHT * 0.555}" rx="180" ry="26" fill="#6F8A88"/>` +
  `<rect y="${rail}" width="${WIDTH}" height="${HEIGHT - rail}" fill="#8E8474"/>` +
  `<rect y="${rail}" width="${WIDTH}" height="10" fill="#B4AA98"/>` +
  `<rect y="${rail + 70}" width="${WIDTH}" height="8" fill="#6F6657"/></svg>`;
