import type { Guide } from './schema';

type Region = Guide['regions'][number];
type Spot = NonNullable<Region['outline']>[number];

/**
 * The region that a place lies in, by the outlines that are drawn: of several that hold it the smallest.
 *
 * @param place degrees of longitude and latitude (WGS 84).
 * @returns nothing where none holds it. Outlines do not reach over the 180th meridian.
 */
export function regionAt(regions: readonly Region[], place: Spot): Region | undefined {
  let found: { region: Region; area: number } | undefined;
  for (const region of regions) {
    if (!region.outline || !holds(region.outline, place)) continue;
    const area = areaOf(region.outline);
    if (!found || area < found.area) found = { region, area };
  }
  return found?.region;
}

/** Is a place within an outline? By how often a line from it to the east crosses it (Shimrat 1962). */
function holds(outline: readonly Spot[], [x, y]: Spot): boolean {
  let inside = false;
  outline.forEach(([ax, ay], i) => {
    const [bx, by] = outline[(i + 1) % outline.length];
    if (ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)) inside = !inside;
  });
  return inside;
}

/** Square degrees within: enough to say which of two is the smaller. */
const areaOf = (outline: readonly Spot[]): number =>
  Math.abs(
    outline.reduce((sum, [ax, ay], i) => {
      const [bx, by] = outline[(i + 1) % outline.length];
      return sum + (ax * by - bx * ay) / 2;
    }, 0),
  );
