/** Units as they are written behind numbers, as part of an expression: no other thing is meant by them there. */
export const UNITS_WRITTEN = 'mm|cm|µm|μm|um|km|mg|kg|m|g|inch(?:es)?|ft';

/** A unit by its usual sign, however it was written. */
export function unitOf(written: string): string {
  const unit = written.toLowerCase();
  if (unit.startsWith('deg')) return '°';
  if (unit === 'per cent') return '%';
  if (unit.startsWith('inch')) return 'in';
  if (unit === 'feet' || unit === 'foot') return 'ft';
  return unit === 'um' || unit === 'μm' ? 'µm' : unit;
}

/** Millimetres in a unit of length. */
const MM: Record<string, number> = { µm: 0.001, mm: 1, cm: 10, m: 1000, km: 1e6, in: 25.4, ft: 304.8 };

/** How many of `to` one of `from` is; undefined for units that cannot be turned into each other. */
export function unitFactor(from: string | undefined, to: string | undefined): number | undefined {
  if (from === to) return 1;
  return from && to && MM[from] && MM[to] ? MM[from] / MM[to] : undefined;
}
