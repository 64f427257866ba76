import type { ColonyMember } from '@plesion/contract/colony';
import type { Kept } from '@plesion/core/colony/schema';
import { formsOf, type Guide, isFormOf } from '@plesion/core/guide';
import { omit } from '../../lib/omit';
import { shownBy } from './words';

/** A record that may be wrong. */
export interface Doubted {
  what: 'sex' | 'father' | 'mother' | 'phenotype';
  character?: string;
}

/** Something that may stand in its place, and what the book says then. */
export interface Instead {
  id: string;
  label: string;
  kept: Kept;
}

const NOBODY = 'not known';

/** What a record says now, in words. */
export function sayDoubted(
  guide: Guide,
  { kept }: ColonyMember,
  { what, character }: Doubted,
  names: ReadonlyMap<string, string>,
): string {
  if (what === 'sex') return kept.sex?.called ?? NOBODY;
  if (what === 'phenotype') {
    const seen = kept.phenotypes[character!];
    const states = shownBy(guide).find(({ id }) => id === character)?.states ?? [];
    const all = seen === undefined ? [] : typeof seen === 'string' ? [seen] : seen.states;
    return all.map((state) => states.find(({ id }) => id === state)?.label ?? state).join(' or ') || NOBODY;
  }
  const ids = kept[`${what}s`] ?? [kept[what]].flatMap((one) => one ?? []);
  return ids.map((id) => names.get(id) ?? 'somebody').join(' or ') || NOBODY;
}

/** What may stand in the place of a record that is wrong. */
export function insteadOf(
  guide: Guide,
  member: ColonyMember,
  { what, character }: Doubted,
  members: readonly ColonyMember[],
): Instead[] {
  const { kept } = member;
  if (what === 'sex') {
    const other = kept.sex?.called === 'male' ? 'female' : 'male';
    const unsexed = omit(kept, 'sex');
    return [
      { id: other, label: `a ${other}`, kept: { ...unsexed, sex: { called: other, certainty: 1 } } },
      { id: 'none', label: NOBODY, kept: unsexed },
    ];
  }
  if (what === 'phenotype') {
    const seen = kept.phenotypes[character!];
    const others = omit(kept.phenotypes, character!);
    const states = shownBy(guide).find(({ id }) => id === character)?.states ?? [];
    return [
      ...states
        .filter(({ id }) => id !== seen)
        .map(({ id, label }) => ({ id, label, kept: { ...kept, phenotypes: { ...others, [character!]: id } } })),
      { id: 'none', label: 'not seen', kept: { ...kept, phenotypes: others } },
    ];
  }
  const orphan = omit(kept, what, `${what}s`);
  const not = what === 'father' ? 'female' : 'male';
  const may = members.filter(({ id, kept: own }) => id !== member.id && id !== kept[what] && own.sex?.called !== not);
  return [
    { id: 'none', label: NOBODY, kept: orphan },
    ...may.map(({ id, name }) => ({ id, label: name, kept: { ...orphan, [what]: id } })),
  ];
}

/** What an individual turned out to be where its sex was settled; nothing where the guide does not tell the sexes apart. */
export function turnedOut(
  guide: Guide,
  { what }: Doubted,
  { kept: { sex } }: Instead,
): { taxon: string; facets: Record<string, string> } | undefined {
  const taxon = guide.heredity?.taxon ?? guide.taxa[0].id;
  if (what !== 'sex' || !sex) return undefined;
  const facets = { sex: sex.called };
  return formsOf(guide).some((form) => isFormOf(guide, form, taxon, facets)) ? { taxon, facets } : undefined;
}

/** What to look at. */
export function lookAt({ what, character }: Doubted, shown: string | undefined): string {
  if (what === 'sex') return 'Look at its sex again: an egg, a song or the parts themselves settle it.';
  if (what === 'phenotype') return `Look at its ${shown ?? character} again, in good light.`;
  return `Who else was in the pen when the clutch was laid? Leave the ${what} open where nobody knows.`;
}
