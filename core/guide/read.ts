import type { z } from 'zod';
import { type Outcome, done, failed } from '../problem';
import { checkGuide } from './check';
import type { Problem } from '../problem';
import { unfolded } from '../shape';
import { scoresToRead } from './plainScores';
import { FORMATS, Guide } from './schema';

/** Problems worth listing at once; more only bury the first. */
const MOST = 50;

/**
 * Read a guide from parsed JSON: its shape first, then its cross-references.
 * Either the whole guide is good or nothing of it is taken.
 */
export function readGuide(json: unknown): Outcome<Guide> {
  const parsed = parsedGuide(json);
  if (!parsed.success) return failed(...newer(json), ...unfolded(parsed.error.issues, MOST).flatMap(problemsOf).slice(0, MOST));
  const problems = checkGuide(parsed.data);
  return problems.length > 0 ? failed(...problems.slice(0, MOST)) : done(parsed.data);
}

/** As the schema reads it; scores that are plain to see are taken as they are. */
function parsedGuide(json: unknown): z.ZodSafeParseResult<Guide> {
  if (typeof json !== 'object' || json === null || !('scores' in json) || !Array.isArray(json.scores))
    return Guide.safeParse(json);
  const given: readonly unknown[] = json.scores;
  const places = scoresToRead({ ...json, scores: given });
  const parsed = Guide.safeParse({ ...json, scores: places.map((i) => given[i]) });
  if (parsed.success) {
    const scores = [...given] as Guide['scores'];
    places.forEach((place, k) => (scores[place] = parsed.data.scores[k]));
    return { ...parsed, data: { ...parsed.data, scores } };
  }
  for (const issue of parsed.error.issues)
    if (issue.path[0] === 'scores' && typeof issue.path[1] === 'number') issue.path[1] = places[issue.path[1]];
  return parsed;
}

/** A guide in a format of a later Plesion is refused as such, before what is strange to this one. */
function newer(json: unknown): Problem[] {
  const version = typeof json === 'object' && json !== null && 'formatVersion' in json ? json.formatVersion : undefined;
  const last = FORMATS[FORMATS.length - 1];
  if (typeof version !== 'number' || version <= last) return [];
  const message = `This guide is written in format ${version}; this Plesion reads up to ${last}. Read it with a newer one, or leave out what is named below.`;
  return [{ code: 'newer-format', message, field: 'formatVersion' }];
}

/** Each field that is not known by its own path, each other issue as it is. */
function problemsOf(issue: z.core.$ZodIssue): Problem[] {
  if (issue.code === 'unrecognized_keys') {
    return issue.keys.map((key) => {
      const field = fieldPath([...issue.path, key]);
      return { code: 'unknown-field', message: `${field}: this Plesion knows no such field.`, field };
    });
  }
  const field = fieldPath(issue.path);
  return [{ code: 'guide-shape', message: `${field || 'The guide'}: ${issue.message}.`, field }];
}

/** `['scores', 3, 'value']` → `scores[3].value`. */
export function fieldPath(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${String(part)}` : String(part)),
    '',
  );
}
