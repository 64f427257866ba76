import type { Guide } from '../../guide/working';
import { done, failed, type Outcome } from '../../problem';
import { stableJson } from '../../stableJson';
import { depthOf, endpointsOf } from '../graph';
import { readKey } from '../json';
import { withLinks } from '../link';
import { lintKey } from '../lint';
import { withTaxa } from '../names';
import { readSdd, writeSdd } from '../sdd';
import type { Key, KeyProblem, LineProblem } from '../schema';
import { readKeyText } from '../text/read';
import { writeKeyText } from '../text/write';
import type { TextStyle } from '../vocabulary';

/** A key as it comes in: as text in print, as an SDD document, or as Plesion JSON; one of them. */
export interface KeySource {
  text?: string;
  sdd?: string;
  json?: unknown;
  /** What it is to be called; needed for text, which has no title of its own. */
  title?: string;
}

/** A key that was read in, tied to its guide, with what is to be looked at. */
export interface ReadIn {
  key: Key;
  /** By line of the text. */
  problems: LineProblem[];
  /** Of the key as it then stands. */
  faults: KeyProblem[];
  endpoints: number;
}

/**
 * Read a key in from whatever it is written in, and tie its names and statements to
 * the taxa and characters of the guide, where there is one. The whole of it, or
 * nothing and why.
 */
export function readKeyIn(source: KeySource, guide?: Guide): Outcome<ReadIn> {
  const read = keyFrom(source);
  if (!read.ok) return read;
  const { key: written, problems } = read.value;
  const titled = source.title ? { ...written, title: source.title } : written;
  const key = guide ? withLinks(withTaxa(titled, guide), guide) : titled;
  return done({ key, problems, faults: lintKey(key, guide), endpoints: endpointsOf(key).length });
}

/** Problems told of one text; who has so many has another to read first. */
const MOST_TOLD = 200;

function keyFrom({ text, sdd, json, title }: KeySource): Outcome<{ key: Key; problems: LineProblem[] }> {
  if (text !== undefined) {
    const { key, problems } = readKeyText(text, title ?? 'Key');
    const told = problems.slice(0, MOST_TOLD);
    return key ? done({ key, problems: told }) : failed(...told.map((problem) => ({ ...problem, field: 'text' })));
  }
  const outcome = sdd !== undefined ? readSdd(sdd) : readKey(json);
  return outcome.ok ? done({ key: outcome.value, problems: [] }) : outcome;
}

/** What is to be looked at in a key, and its longest way in couplets. */
export interface CheckedKey {
  problems: KeyProblem[];
  depth: number;
}

/** @see lintKey */
export const checkKey = (key: Key, guide?: Guide): CheckedKey => ({ problems: lintKey(key, guide), depth: depthOf(key) });

/** What a key is written out as. */
export type KeyFormat = TextStyle | 'sdd' | 'json';

/** The key as text in print, as an SDD document, or as Plesion JSON. */
export function writeKeyOut(key: Key, format: KeyFormat): string {
  if (format === 'sdd') return writeSdd(key);
  return format === 'json' ? stableJson(key) : writeKeyText(key, format);
}
