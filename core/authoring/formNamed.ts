import type { FacetName, Facets } from '../guide/working';
import type { Lead } from '../keys';
import { stableJson } from '../stableJson';

/** Words and signs that say of which form of a kind an ending is. */
const FORMS: [RegExp, FacetName, string][] = [
  [/^(?:♂+|males?)$/i, 'sex', 'male'],
  [/^(?:♀+|females?)$/i, 'sex', 'female'],
  [/^(?:adults?|imago|imagos|imagines)$/i, 'stage', 'adult'],
  [/^(?:juveniles?|juv)$/i, 'stage', 'juvenile'],
  [/^(?:immatures?|imm)$/i, 'stage', 'immature'],
  [/^larvae?$/i, 'stage', 'larva'],
  [/^nymphs?$/i, 'stage', 'nymph'],
  [/^pupae?$/i, 'stage', 'pupa'],
];
/** Also names of kinds, or words of them: taken for forms only where a mark sets them off. */
const SET_OFF: [RegExp, FacetName, string][] = [
  [/^workers?$/i, 'morph', 'worker'],
  [/^queens?$/i, 'morph', 'queen'],
  [/^soldiers?$/i, 'morph', 'soldier'],
  [/^(?:breeding|nuptial)$/i, 'season', 'breeding'],
  [/^non-?breeding$/i, 'season', 'non-breeding'],
  [/^winter$/i, 'season', 'winter'],
  [/^summer$/i, 'season', 'summer'],
  [/^eclipse$/i, 'season', 'eclipse'],
];
/** Say nothing beside those. */
const FILLERS = /^(?:plumages?|dress|birds?|specimens?|individuals?|plants?|in)$/i;
/** "Dark morph", "the red phase". */
const MORPH = /^(?:the )?(\p{Ll}+) (?:morph|phase|form)$/u;

/** Each facet that only one form of is named; "male and female" are all of them. */
const onlyOnes = (said: readonly [FacetName, string][]): Facets =>
  Object.fromEntries(said.filter(([facet, value]) => said.every(([other, also]) => other !== facet || also === value)));

const read = (words: string, forms: typeof FORMS): [FacetName, string][] | undefined => {
  const all = words.split(/[\s,/&+]+|\band\b|\bor\b/i).filter((word) => word && !FILLERS.test(word));
  const found = all.map((word) => forms.find(([pattern]) => pattern.test(word.replace(/\.$/, ''))));
  return found.length && found.every(Boolean) ? found.map((one) => [one![1], one![2]]) : undefined;
};

function readSetOff(words: string): [FacetName, string][] | undefined {
  const morph = MORPH.exec(words.trim());
  return morph ? [['morph', morph[1]]] : read(words, [...FORMS, ...SET_OFF]);
}

/**
 * A name as printed at an ending, parted from the form of the kind that it ends at: "Cavella ovalis, female", "Velda alba
 * (adult ♂)", "Males of Velda alba". Signs behind a name stand in the lead's words once a key is read; `mark` is such a
 * one.
 */
export function formNamed(printed: string, mark = ''): { name: string; facets: Facets } {
  const plain = printed.replace(/[*_]/g, '').replace(/\s+/g, ' ').trim();
  const own = mark ? (read(mark, FORMS) ?? []) : [];
  const first = /^(\S+(?: \S+)??)(?: of)? (?=\p{Lu}\p{Ll})/u.exec(plain);
  const leading = first && read(first[1], FORMS);
  const name = leading ? plain.slice(first[0].length) : plain;
  const set = /^(.*\S)\s*(?:,\s*|\(|\[)([^,()[\]]+)[)\]]?\.?$/u.exec(name);
  const setOff = set && readSetOff(set[2]);
  if (setOff) {
    const before = formNamed(set[1]);
    const said = Object.entries(before.facets) as [FacetName, string][];
    return { name: before.name, facets: onlyOnes([...own, ...(leading ?? []), ...said, ...setOff]) };
  }
  // Without a mark between, behind a genus and an epithet at the least.
  const words = name.split(' ');
  const from = words.findIndex((_, i) => i >= 2 && read(words.slice(i).join(' '), FORMS));
  if (from < 0) return { name, facets: onlyOnes([...own, ...(leading ?? [])]) };
  const behind = read(words.slice(from).join(' '), FORMS)!;
  return { name: words.slice(0, from).join(' '), facets: onlyOnes([...own, ...(leading ?? []), ...behind]) };
}

const MARK = /\s(?:([♂♀])|[([]([♂♀]|(?:fe)?males?|adults?|larvae?)[)\]])$/i;

/** What a lead says, without the sign of a sex that a name left at its end. */
export const withoutMark = (text: string): string => text.replace(MARK, '');

/**
 * Signs of sexes behind names of which several leads are told apart by them; they stand at the end of what those leads
 * say. A sign at one lead alone may be of a flower or a larva that it speaks of.
 */
export function marksOf(leads: readonly Lead[]): ReadonlyMap<Lead, string> {
  const byName = new Map<string, { lead: Lead; mark: string; form: string }[]>();
  for (const lead of leads) {
    if (lead.to.kind !== 'taxon') continue;
    const found = MARK.exec(lead.statements.at(-1)?.text ?? '');
    const mark = found?.[1] ?? found?.[2] ?? '';
    const { name, facets } = formNamed(lead.to.name, mark);
    byName.set(name, [...(byName.get(name) ?? []), { lead, mark, form: stableJson(facets) }]);
  }
  const telling = [...byName.values()].filter(
    (some) => some.every(({ form }) => form !== '{}') && new Set(some.map(({ form }) => form)).size > 1,
  );
  return new Map(telling.flat().flatMap(({ lead, mark }) => (mark ? [[lead, mark]] : [])));
}
