import type { Measurement } from '@plesion/contract';
import type { Character, Guide, Protocol } from '@plesion/core/guide';
import type { PixelPoint } from '@plesion/core/measure';
import type { Plate } from '@plesion/core/plates';
import { exampleOf } from '../measure/Example';
import { formPlate, measuresOn } from '../plates/plates';

/** What is laid beside something else; places on it are told in its own pixels. */
export type Picture = PhotoPicture | { kind: 'plate'; plate: Plate; width: number; height: number };
export interface PhotoPicture {
  kind: 'photo';
  uri: string;
  image: HTMLImageElement;
  width: number;
  height: number;
}

/** How wide a plate is drawn, in pixels of its own. */
const PLATE_WIDTH = 1200;

export function platePicture(plate: Plate): Picture {
  const { width, height } = plate.box;
  return { kind: 'plate', plate, width: PLATE_WIDTH, height: (PLATE_WIDTH * height) / width };
}

export const photoPicture = (uri: string, image: HTMLImageElement): PhotoPicture => ({
  kind: 'photo',
  uri,
  image,
  width: image.naturalWidth,
  height: image.naturalHeight,
});

/** Two places that both pictures show. */
export type Pair = [PixelPoint, PixelPoint];

/** The places that pictures are matched by: two landmarks of a character, or two of one's own. */
export interface MatchedBy {
  id: string;
  label: string;
  places: [{ id: string; label: string }, { id: string; label: string }];
}

export const OWN_PLACES: MatchedBy = {
  id: 'own',
  label: 'two places of my own',
  places: [
    { id: 'first', label: 'a place that both pictures show' },
    { id: 'second', label: 'another place that both show, far from it' },
  ],
};

/** The ends of a length that a character is measured along; undefined where they are not single points. */
function endsOf({ quantity, landmarks }: Protocol): [string, string] | undefined {
  const points =
    quantity.kind === 'ratio'
      ? (quantity.denominator.points.length > 1 ? quantity.denominator : quantity.numerator).points
      : quantity.kind === 'length'
        ? quantity.line.points
        : quantity.kind === 'reach'
          ? [quantity.from, quantity.to]
          : landmarks.filter(({ kind }) => kind === 'point').map(({ id }) => id);
  const [first, last] = [points.at(0), points.at(-1)];
  const single = (id: string | undefined) => landmarks.some((one) => one.id === id && one.kind === 'point');
  return first !== undefined && last !== undefined && first !== last && single(first) && single(last) ? [first, last] : undefined;
}

/** What pictures of a guide's animals can be matched by. */
export function waysToMatch(guide: Guide): MatchedBy[] {
  return guide.characters.flatMap(({ id, label, protocol }) => {
    const ends = protocol && endsOf(protocol);
    if (!ends) return [];
    const places = ends.map((end) => ({ id: end, label: protocol.landmarks.find((one) => one.id === end)!.label }));
    return [{ id, label, places: places as MatchedBy['places'] }];
  });
}

/** The two places as they were set when the character was measured on a photo. */
export function measuredPair({ places }: MatchedBy, measurement: Measurement | undefined): Pair | undefined {
  const set = measurement?.sets[0];
  const [p, q] = places.map(({ id }) => set?.[id]);
  return p && q && typeof p[0] === 'number' && typeof q[0] === 'number' ? [p as PixelPoint, q as PixelPoint] : undefined;
}

/** The two places on the plate of a form, where the character is drawn in that view; undefined where it is not. */
export function platePair(guide: Guide, form: string, view: string, { id, places }: MatchedBy): Pair | undefined {
  const character = guide.characters.find((one): one is Character & { protocol: Protocol } => one.id === id && !!one.protocol);
  const drawn = character && character.plate?.view === view ? measuresOn(guide, form, character) : undefined;
  const plate = formPlate(guide, form, view, 'full');
  if (!drawn || !character || !plate) return undefined;
  const { box } = plate;
  const lines = drawn.measures.map(({ line }) => line);
  const [p, q] = places.map((place) => {
    const at = exampleOf(character.protocol, lines, place.id);
    const by = PLATE_WIDTH / box.width;
    return at?.length === 1 ? ([(at[0][0] - box.x) * by, (at[0][1] - box.y) * by] as PixelPoint) : undefined;
  });
  return p && q ? [p, q] : undefined;
}

/** The measurement of a character on a photo that counts: the last one. */
export const measurementOn = (
  all: readonly Measurement[] | undefined,
  character: string,
  photo: string,
): Measurement | undefined => all?.findLast((one) => one.character === character && one.photo === photo && !one.hidden);
