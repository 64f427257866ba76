import type { Protocol, Quantity } from '@plesion/core/guide';
import {
  darkShare,
  type Grey,
  greyOf,
  measureSets,
  type PixelPoint,
  type PointSet,
  type Scale,
  shadeWithin,
  stripesAlong,
  toneOf,
} from '@plesion/core/measure';
import { type Part, pixelsOf } from './looking';
import { needsScale, pointsOf } from './steps';

/** What is read out of the pixels of a photo. */
type PixelReading = 'stripes' | 'dark' | 'tone';

/** What can be measured without a character of the guide behind it. */
export const TOOLS = ['length', 'proportion', 'angle', 'area', 'sides', 'stripes', 'dark', 'tone'] as const;
export type ToolName = (typeof TOOLS)[number];

export interface Tool {
  label: string;
  landmarks: Protocol['landmarks'];
  /** Is there a length in it, which wants a scale to be told in millimetres? */
  scaled?: boolean;
  /** What is read out of the pixels, and not worked out of the points. */
  reads?: PixelReading;
  /** What is worked out of the points. */
  quantities: { says: string; quantity: Quantity }[];
}

const point = (id: string, label: string) => ({ id, label, kind: 'point' as const });
const outline = (id: string, label: string) => ({ id, label, kind: 'outline' as const });

export const TOOL: Record<ToolName, Tool> = {
  length: {
    label: 'a length',
    scaled: true,
    landmarks: [point('from', 'one end'), point('to', 'the other end')],
    quantities: [{ says: 'Length', quantity: { id: 'length', kind: 'length', line: { points: ['from', 'to'] } } }],
  },
  proportion: {
    label: 'one length in another',
    landmarks: [
      point('a', 'one end of the first length'),
      point('b', 'its other end'),
      point('c', 'one end of the second length'),
      point('d', 'its other end'),
    ],
    quantities: [
      {
        says: 'The first in the second',
        quantity: { id: 'ratio', kind: 'ratio', numerator: { points: ['a', 'b'] }, denominator: { points: ['c', 'd'] } },
      },
    ],
  },
  angle: {
    label: 'an angle',
    landmarks: [point('a', 'a place on one side'), point('tip', 'the corner'), point('b', 'a place on the other side')],
    quantities: [{ says: 'Angle', quantity: { id: 'angle', kind: 'angle', points: ['a', 'tip', 'b'] } }],
  },
  area: {
    label: 'an area',
    scaled: true,
    landmarks: [outline('around', 'around it, point by point')],
    quantities: [
      { says: 'Area', quantity: { id: 'area', kind: 'area', outline: 'around' } },
      { says: 'Length ÷ width', quantity: { id: 'elongation', kind: 'elongation', outline: 'around' } },
      { says: 'Roundness (1 for a circle)', quantity: { id: 'roundness', kind: 'roundness', outline: 'around' } },
    ],
  },
  sides: {
    label: 'a count, left and right',
    landmarks: [
      point('head', 'front end of the axis'),
      point('rear', 'hind end of the axis'),
      { id: 'each', label: 'each one to be counted', kind: 'markers' },
    ],
    quantities: (['left', 'right'] as const).map((side) => ({
      says: side === 'left' ? 'Left, as one looks along the axis' : 'Right',
      quantity: { id: side, kind: 'count', markers: 'each', axis: ['rear', 'head'], side },
    })),
  },
  stripes: {
    label: 'stripes along a line',
    scaled: true,
    reads: 'stripes',
    landmarks: [point('from', 'where the line begins'), point('to', 'where it ends, across the stripes')],
    quantities: [],
  },
  dark: {
    label: 'the dark share of an area',
    reads: 'dark',
    landmarks: [outline('around', 'around the area')],
    quantities: [],
  },
  tone: {
    label: 'a tone, beside a grey card',
    reads: 'tone',
    landmarks: [outline('surface', 'around the surface'), outline('card', 'around the grey card')],
    quantities: [],
  },
};

/** A character of a guide as a tool: its landmarks, and what they come to. */
export const toolOf = ({ label, protocol }: { label: string; protocol: Protocol }): Tool => ({
  label,
  landmarks: protocol.landmarks,
  scaled: needsScale(protocol),
  quantities: [{ says: label, quantity: protocol.quantity }],
});

/** What a tool is told besides its points. */
export interface ToolSettings {
  /** Darker than this is dark, 0 to 255; found where absent. */
  threshold?: number;
  /** What the grey card reflects, in hundredths, and how far that is known. */
  card: { percent: number; error: number };
}

/** What it comes to, in words; or why it does not. */
export interface Told {
  lines: string[];
  problems: string[];
  /** The threshold that was used. */
  threshold?: number;
}

const rounded = (value: number, sd: number): string => {
  const digits = sd > 0 ? Math.max(0, Math.min(6, 1 - Math.floor(Math.log10(sd)))) : 3;
  return sd > 0 ? `${value.toFixed(digits)} ± ${sd.toFixed(digits)}` : String(Number(value.toFixed(digits)));
};

/** What is worked out of points. */
export function toldByPoints(
  { quantities }: Tool,
  points: PointSet,
  scale: Scale | undefined,
  photo: { width: number; height: number },
  own?: { sd: number; df?: number },
): Told {
  const told: Told = { lines: [], problems: [] };
  for (const { says, quantity } of quantities) {
    const { values, warnings } = measureSets({ sets: [points], quantity, scale, photo, own });
    told.problems.push(...warnings.map(({ message }) => message).filter((message) => !told.problems.includes(message)));
    for (const { value, sd, unit } of values)
      told.lines.push(`${says}: ${quantity.kind === 'count' ? value : rounded(value, sd)} ${unit}`.trim());
  }
  return told;
}

/** A part of the photo in shades of grey, with where it lies. */
function shadesAbout(image: HTMLImageElement, points: readonly PixelPoint[]): { grey: Grey; part: Part } {
  const [xs, ys] = [0, 1].map((c) => points.map((p) => p[c]));
  const left = Math.max(0, Math.floor(Math.min(...xs)) - 2);
  const top = Math.max(0, Math.floor(Math.min(...ys)) - 2);
  const part = {
    left,
    top,
    width: Math.max(1, Math.min(image.naturalWidth, Math.ceil(Math.max(...xs)) + 2) - left),
    height: Math.max(1, Math.min(image.naturalHeight, Math.ceil(Math.max(...ys)) + 2) - top),
  };
  return { grey: greyOf(pixelsOf(image, part).data, part.width, part.height), part };
}

/** What is read out of the pixels, where enough is set. */
export function toldByPixels(
  reads: PixelReading,
  image: HTMLImageElement,
  points: PointSet,
  mm: number | undefined,
  settings: ToolSettings,
): Told {
  const at = (id: string) => pointsOf(points, id);
  const inPart = (part: Part, all: readonly PixelPoint[]) => all.map(([x, y]): PixelPoint => [x - part.left, y - part.top]);
  const none = (why: string): Told => ({ lines: [], problems: [why] });
  if (reads === 'stripes') {
    const line = [...at('from'), ...at('to')];
    const { grey, part } = shadesAbout(image, line);
    const [from, to] = inPart(part, line);
    const found = stripesAlong(grey, from, to);
    if (!found) return none('Nothing repeats along this line at least twice. Draw it straight across several stripes.');
    const [by, unit] = mm ? [mm, 'mm'] : [1, 'px'];
    return {
      lines: [
        `From stripe to stripe: ${rounded(found.spacing * by, found.sd * by)} ${unit}`,
        `${found.crossed} stripes; regularity ${found.regular.toFixed(2)} of 1`,
      ],
      problems: [],
    };
  }
  if (reads === 'dark') {
    const { grey, part } = shadesAbout(image, at('around'));
    const found = darkShare(grey, inPart(part, at('around')), settings.threshold);
    if (!found) return none('Fewer than 20 pixels lie within. Draw it around a larger area.');
    return {
      lines: [
        `Dark: ${(found.share * 100).toFixed(1)} in 100`,
        `Five shades more or less would change it by ${(found.shaky * 100).toFixed(1)} in 100`,
      ],
      problems: [],
      threshold: found.threshold,
    };
  }
  const [surface, card] = (['surface', 'card'] as const).map((id) => {
    const { grey, part } = shadesAbout(image, at(id));
    return shadeWithin(grey, inPart(part, at(id)));
  });
  if (!surface || !card) return none('Fewer than 20 pixels lie within one of the areas. Draw both larger.');
  const { percent, error } = settings.card;
  const tone = toneOf(surface, card, { reflectance: percent / 100, error: error / 100 });
  if (!tone)
    return none('The card cannot be used: it is black or burnt out here. A tone is not told without one in the same light.');
  return { lines: [`Lightness L*: ${rounded(tone.lightness, tone.sd)}, 0 black to 100 white`], problems: [] };
}
