/** What an outline encloses, in squares of its own unit; of degrees enough to say which of two is the smaller. */
export const areaOf = (outline: readonly (readonly [number, number])[]): number =>
  Math.abs(
    outline.reduce((sum, [ax, ay], i) => {
      const [bx, by] = outline[(i + 1) % outline.length];
      return sum + (ax * by - bx * ay) / 2;
    }, 0),
  );
