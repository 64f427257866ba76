import { createHash, randomBytes } from 'node:crypto';

/**
 * What opens something of a station to whoever holds it: a link, or a script's token. The station stands in it, so that
 * it is looked for among that station's alone; only its hash is kept.
 */
const SHAPE = /^(\w+_)?([0-9a-f]{32})_([A-Za-z0-9_-]{43})$/;

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** @param before what it begins with, by which it is known for what it is. */
export function makeSecret(stationId: string, before = ''): { secret: string; hash: string } {
  const secret = `${before}${stationId.replaceAll('-', '')}_${randomBytes(32).toString('base64url')}`;
  return { secret, hash: hashOf(secret) };
}

/** The station of one, and its hash; nothing, where it is none. */
export function readSecret(secret: string, before = ''): { stationId: string; hash: string } | undefined {
  const found = SHAPE.exec(secret);
  if (!found || (found[1] ?? '') !== before) return undefined;
  const [, , hex] = found;
  const stationId = [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
  return { stationId, hash: hashOf(secret) };
}
