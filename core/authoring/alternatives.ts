import { ALWAYS, HARDLY, NEARLY, OFTEN, RARELY, USUALLY } from '../keys/hedges';
import { wordsIn } from './words';

const SAID_SO_OFTEN = `${USUALLY}|typically|${OFTEN}|infrequently|sometimes|occasionally|${RARELY}|${ALWAYS}|never`;
/** Words at the beginning that say how often, denied or nearly so as well, or only join. */
const LEADING = new RegExp(
  String.raw`^(?:(?:(?:not|${NEARLY})\s+)?(?:${SAID_SO_OFTEN})(?:,?\s+if\s+ever,?)?\s+|(?:${HARDLY})\s+ever\s+|(?:is|are|being)\s+|[,:]\s*|[–—-](?!\d)\s*)+`,
  'i',
);

/**
 * What is said, one by one: "brown, black or bronze" is three. Parts that are only a number or a small word belong to
 * what follows, and then nothing is parted.
 */
export function alternativesOf(rest: string): string[] {
  // A sign is all that is said: "K–".
  if (/^\(?[+−–-]\)?$/.test(rest.trim())) return [rest.trim()];
  const plain = rest
    .replace(LEADING, '')
    .replace(/^either\s+(?=.*\sor\s)/i, '')
    .replace(/,?\s+but not both$/i, '')
    .trim();
  const last = /\s+or\s+(?!(?:more|less|longer|shorter|wider|larger|smaller|fewer|nearly|so)\b)/i.exec(plain);
  if (!last || plain.includes('(')) return [plain];
  // What follows a comma behind the last "or" belongs to the last of them.
  const at = plain.search(/\s+or\s+(?!.*\s+or\s+)/i);
  const parts = [...plain.slice(0, at).split(/\s*,\s*(?:or\s+)?|\s+or\s+/i), plain.slice(at).replace(/^\s+or\s+/i, '')]
    .map((part) => part.replace(LEADING, '').trim())
    .filter(Boolean);
  return parts.every((part) => wordsIn(part).some(({ kind }) => kind === 'thing')) ? parts : [plain];
}
