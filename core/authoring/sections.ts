import type { Draft } from './draftSchema';

/** What a guide says of itself, and what each is called. */
export const HEAD = {
  title: 'Title',
  group: 'Group',
  area: 'Area',
  summary: 'Summary',
  caution: 'Caution',
} as const satisfies Partial<Record<keyof Draft, string>>;

/** The parts of a guide that stand beside its scores, in the order in which they are told, and what each is called. */
export const SECTIONS = {
  taxa: 'Taxa',
  characters: 'Characters',
  sources: 'Sources',
  dependence: 'What hangs together',
  views: 'Views',
  regions: 'Regions',
  habitats: 'Habitats',
  circumstances: 'Circumstances',
  company: 'Company',
  treatments: 'Other ways to name them',
  unions: 'What is named together',
  glossary: 'Words explained',
  figures: 'Photographs',
  facets: 'Told apart beside the kind',
  policy: 'Which sources are followed',
  occurrence: 'Where and when',
  costs: 'What a wrong name costs',
  field: 'Rules of a catch',
  heredity: 'How it is inherited',
  settings: 'Settings',
  plan: 'The body plan that it is drawn by',
  plateTraits: 'What shows on its plates',
} as const satisfies Partial<Record<keyof Draft, string>>;

/** What something of a guide is called: a taxon by its name, a word by itself, a photograph by whose it is, a rule by what it says, all else by its label. */
export function calledOf(one: object): string {
  const { name, label, term, says, credit } = one as Partial<Record<'name' | 'label' | 'term' | 'says' | 'credit', string>>;
  return name ?? label ?? term ?? says ?? (credit ? `a photograph by ${credit}` : '');
}

/** In the middle of a sentence. */
export const inSentence = (title: string): string => title.charAt(0).toLowerCase() + title.slice(1);
