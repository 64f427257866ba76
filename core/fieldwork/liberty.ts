import { calendarDays } from './days';

/** Mean radius of the earth, in km (IUGG). */
const RADIUS = 6371.0088;

/** Degrees, WGS 84. */
export interface Position {
  latitude: number;
  longitude: number;
}

const rad = (degrees: number) => (degrees * Math.PI) / 180;

/** Great-circle distance by the haversine formula (Sinnott 1984), in km, on a sphere of 6,371.0088 km. */
export function distanceKm(from: Position, to: Position): number {
  const [a, b] = [rad(from.latitude), rad(to.latitude)];
  const half = Math.sin((b - a) / 2) ** 2 + Math.cos(a) * Math.cos(b) * Math.sin(rad(to.longitude - from.longitude) / 2) ** 2;
  return 2 * RADIUS * Math.asin(Math.min(1, Math.sqrt(half)));
}

/** Initial bearing of the great circle, in degrees from north by east, 0 ≤ b < 360; undefined between a place and itself. */
export function bearing(from: Position, to: Position): number | undefined {
  if (distanceKm(from, to) === 0) return undefined;
  const [a, b, turn] = [rad(from.latitude), rad(to.latitude), rad(to.longitude - from.longitude)];
  const y = Math.sin(turn) * Math.cos(b);
  const x = Math.cos(a) * Math.sin(b) - Math.sin(a) * Math.cos(b) * Math.cos(turn);
  const degrees = (Math.atan2(y, x) * 180) / Math.PI;
  return ((degrees % 360) + 360) % 360;
}

const WINDS = ['N', 'NNE', 'NE', 'ENE', 'E', 'ESE', 'SE', 'SSE', 'S', 'SSW', 'SW', 'WSW', 'W', 'WNW', 'NW', 'NNW'] as const;

/** A bearing as one of sixteen winds. */
export const windOf = (degrees: number): string => WINDS[Math.round(degrees / 22.5) % 16];

/** Days between two captures, and how far and which way it went; the way only where both places are known. */
export function atLiberty(
  from: { day: string; at?: Position },
  to: { day: string; at?: Position },
): { days: number; km?: number; bearing?: number } {
  const days = calendarDays(from.day, to.day);
  if (!from.at || !to.at) return { days };
  const way = bearing(from.at, to.at);
  return { days, km: distanceKm(from.at, to.at), ...(way === undefined ? {} : { bearing: way }) };
}
