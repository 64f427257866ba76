import { type Outcome, done, failed } from '../problem';
import { checkGuide } from './check';
import { Guide } from './schema';

/** Problems worth listing at once; more only bury the first. */
const MOST = 50;

/**
 * Read a guide from parsed JSON: its shape first, then its cross-references.
 * Either the whole guide is good or nothing of it is taken.
 */
export function readGuide(json: unknown): Outcome<Guide> {
  const parsed = Guide.safeParse(json);
  if (!parsed.success) {
    return failed(
      ...parsed.error.issues.slice(0, MOST).map((issue) => {
        const field = fieldPath(issue.path);
        return { code: 'guide-shape', message: `${field || 'The guide'}: ${issue.message}.`, field };
      }),
    );
  }
  const problems = checkGuide(parsed.data);
  return problems.length > 0 ? failed(...problems.slice(0, MOST)) : done(parsed.data);
}

/** `['scores', 3, 'value']` → `scores[3].value`. */
export function fieldPath(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${String(part)}` : String(part)),
    '',
  );
}
