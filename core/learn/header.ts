import Papa from 'papaparse';
import { COLUMN_KINDS } from '../guide/working';
import { type ColumnKind, type Labels, LABELS } from './table';

/** What to do with a column: a label, a character (of a kind that is guessed, or said), or nothing. */
export const ROLES = [...LABELS, 'character', ...COLUMN_KINDS, 'ignore'] as const;
export type Role = (typeof ROLES)[number];

/** Names by which tables usually call what a specimen is. */
const USUAL: Record<(typeof LABELS)[number], RegExp> = {
  taxon: /^(taxon|species|sp|kind|form|name|group|class)$/i,
  sex: /^(sex|gender)$/i,
  stage: /^(stage|age|age class|life stage)$/i,
  morph: /^(morph|phase|colou?r form)$/i,
};

/** Names of columns that only tell one row from another. */
const TELLS_APART = /^(id|specimen|catalog(ue)?( number)?|no\.?|#)$/i;

/** The columns of a table by name, and the role each most likely has. */
export function guessRoles(csv: string): { name: string; role: Role }[] {
  const [header] = Papa.parse<string[]>(csv.slice(0, 20_000).replace(/^\uFEFF/, ''), { preview: 1 }).data;
  const taken = new Set<Role>();
  return (header ?? []).map((raw) => {
    const name = raw.trim();
    const label = LABELS.find((one) => USUAL[one].test(name) && !taken.has(one));
    if (label) taken.add(label);
    return { name, role: label ?? (TELLS_APART.test(name) ? 'ignore' : 'character') };
  });
}

/** Roles as learning takes them. */
export function asRequest(roles: readonly { name: string; role: Role }[]): {
  labels: Labels;
  ignore: string[];
  kinds: Record<string, ColumnKind>;
} {
  const isKind = (role: Role): role is ColumnKind => COLUMN_KINDS.some((kind) => kind === role);
  return {
    labels: Object.fromEntries(
      LABELS.flatMap((label) => roles.filter(({ role }) => role === label).map(({ name }) => [label, name])),
    ),
    ignore: roles.filter(({ role }) => role === 'ignore').map(({ name }) => name),
    kinds: Object.fromEntries(roles.flatMap(({ name, role }) => (isKind(role) ? [[name, role]] : []))),
  };
}
