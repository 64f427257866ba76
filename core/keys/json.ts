import { fieldPath } from '../guide/read';
import { done, failed, type Outcome, type Problem } from '../problem';
import { unfolded } from '../shape';
import { Key } from './schema';

/**
 * Read a key from parsed JSON: its shape, then what the shape cannot show: ids
 * given twice, statements numbered twice. Either all of it is good or none is taken.
 */
export function readKey(json: unknown): Outcome<Key> {
  const parsed = Key.safeParse(json);
  if (!parsed.success) {
    return failed(
      ...unfolded(parsed.error.issues, 50).map((issue) => {
        const field = fieldPath(issue.path);
        return { code: 'key-shape', message: `${field || 'The key'}: ${issue.message}.`, field };
      }),
    );
  }
  const problems = checkKey(parsed.data);
  return problems.length ? failed(...problems) : done(parsed.data);
}

function checkKey(key: Key): Problem[] {
  const problems: Problem[] = [];
  const seen = new Set<string>();
  key.couplets.forEach((couplet, i) => {
    const field = `couplets[${i}]`;
    if (seen.has(couplet.id)) {
      problems.push({ code: 'id-twice', message: `Couplet “${couplet.id}” stands twice.`, field: `${field}.id` });
    }
    seen.add(couplet.id);
    const leads = couplet.leads.map(({ id }) => id);
    if (new Set(leads).size < leads.length) {
      problems.push({
        code: 'id-twice',
        message: `Two leads of couplet ${couplet.number} have one letter.`,
        field: `${field}.leads`,
      });
    }
    const numbers = couplet.leads.flatMap(({ statements }) => statements.map(({ n }) => n));
    if (new Set(numbers).size < numbers.length) {
      problems.push({
        code: 'statement-twice',
        message: `Two statements of couplet ${couplet.number} have one number; number them through the couplet.`,
        field: `${field}.leads`,
      });
    }
  });
  return problems;
}

/**
 * Letters of leads and numbers of statements as they stand in print: leads `a`,
 * `b` … in order, statements from 1 through the couplet.
 */
export const tidy = (key: Key): Key => ({
  ...key,
  couplets: key.couplets.map((couplet) => {
    let n = 0;
    return {
      ...couplet,
      leads: couplet.leads.map((lead, i) => ({
        ...lead,
        id: String.fromCharCode(97 + i),
        statements: lead.statements.map((statement) => ({ ...statement, n: ++n })),
      })),
    };
  }),
});
