import type { Problem } from '../problem';
import { crossing } from './outline';
import type { Plane } from './plane';
import type { PixelPoint, PointSet } from './schema';

/** The points of a landmark as a list: one for a point, several for a curve, an outline or markers. */
export const placesOf = (place: PointSet[string]): PixelPoint[] =>
  (typeof place[0] === 'number' ? [place] : place) as PixelPoint[];

/** Points that cannot be used, each named by its field, and the set without them: what does not need them is measured all the same. */
interface Sifted {
  problems: Problem[];
  rest: PointSet;
}

function sifted(
  set: PointSet,
  isOut: (point: PixelPoint) => boolean,
  { code, why }: { code: string; why: string },
  field: string,
): Sifted {
  const rest: PointSet = {};
  const problems: Problem[] = [];
  for (const [id, place] of Object.entries(set)) {
    const points = placesOf(place);
    const out = points.findIndex(isOut);
    if (out < 0) {
      rest[id] = place;
      continue;
    }
    const which = points.length > 1 ? `Point ${out + 1} of “${id}”` : `“${id}”`;
    problems.push({ code, message: `${which} ${why}`, field: `${field}.${id}` });
  }
  return { problems, rest };
}

/** Points outside the photo. */
export const pointsOutside = (set: PointSet, photo: { width: number; height: number } | undefined, field: string): Sifted =>
  photo
    ? sifted(
        set,
        ([x, y]) => x < 0 || y < 0 || x > photo.width || y > photo.height,
        { code: 'outside-photo', why: 'lies outside the photo; set it again.' },
        field,
      )
    : { problems: [], rest: set };

/** Points where nothing of the plane is to be seen. */
export const pointsBeyond = (set: PointSet, { sees }: Pick<Plane, 'sees'>, field: string): Sifted =>
  sifted(
    set,
    (point) => !sees(point),
    { code: 'beyond-plane', why: 'lies beyond the line where the plane of the grid ends: nothing there can be measured by it.' },
    field,
  );

/** What is said of an outline that crosses itself, and so encloses no area. */
export function outlineCrosses(outline: readonly PixelPoint[], id: string, field: string): Problem | undefined {
  const sides = crossing(outline);
  return (
    sides && {
      code: 'outline-crosses',
      message: `The outline “${id}” crosses itself where its sides ${sides[0] + 1} and ${sides[1] + 1} meet: move one of their points.`,
      field,
    }
  );
}
