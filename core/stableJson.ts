/**
 * JSON with the keys of every object in order, so that equal content gives equal
 * text whatever order it was written or stored in. Absent and undefined are alike.
 */
export const stableJson = (value: unknown): string => JSON.stringify(sorted(value));

function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, part]) => [key, sorted(part)]),
  );
}
