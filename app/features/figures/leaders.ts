/** A place on a picture, as shares of its width and height from the upper left. */
interface Place {
  x: number;
  y: number;
}

interface Room {
  width: number;
  height: number;
  /** From the middle of one label to that of the next, at the least. */
  step: number;
}

/**
 * Where labels stand beside a picture, at its right edge, so that the lines from them to their places do not cross. Two
 * that cross are exchanged, which makes the lines shorter in sum, until none do.
 *
 * @returns the middle of each label from above, in the order of the places; nothing where there is no room for all.
 */
export function leadersOf(places: readonly Place[], { width, height, step }: Room): number[] | undefined {
  if (places.length * step > height) return undefined;
  const order = places.map((_, i) => i).sort((a, b) => places[a].y - places[b].y || places[b].x - places[a].x);
  const middles: number[] = [];
  for (const i of order) middles.push(Math.max(places[i].y * height, (middles.at(-1) ?? -step / 2) + step));
  for (let k = middles.length - 1, most = height - step / 2; k >= 0; k--, most -= step) middles[k] = Math.min(middles[k], most);
  const at = (i: number) => ({ x: places[i].x * width, y: places[i].y * height });
  for (let moved = true; moved;) {
    moved = false;
    for (let k = 0; k < order.length; k++)
      for (let l = k + 1; l < order.length; l++) {
        const [a, b] = [at(order[k]), at(order[l])];
        if (!cross([a, { x: width, y: middles[k] }], [b, { x: width, y: middles[l] }])) continue;
        [order[k], order[l]] = [order[l], order[k]];
        moved = true;
      }
  }
  const found: number[] = [];
  order.forEach((i, k) => (found[i] = middles[k]));
  return found;
}

type Segment = [Place, Place];

/** Which side of a line a point is on. */
const side = ([a, b]: Segment, { x, y }: Place): number => (b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x);
const cross = (one: Segment, other: Segment): boolean =>
  side(one, other[0]) * side(one, other[1]) < 0 && side(other, one[0]) * side(other, one[1]) < 0;
