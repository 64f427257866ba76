import type { DraftLook } from '@plesion/contract/authoring';

/** Parts of the editor, in their order, and what each is called. */
export const PARTS = {
  about: 'About it',
  taxa: 'Taxa',
  characters: 'Characters',
  scores: 'Who has what',
  places: 'Where and when',
  words: 'Words',
  figures: 'Photographs',
  rules: 'Rules',
  heredity: 'Heredity',
  matrix: 'Tables in and out',
  try: 'Try it',
  look: 'Look it over',
} as const;
export type Part = keyof typeof PARTS;

/** Where in the editor something is mended: a part of it, and there a taxon, a character, or the cell of both. */
export interface Goal {
  part: Part;
  taxon?: string;
  character?: string;
}

/** Which part of the editor each section of a guide is changed in; what is not here is changed in none. */
const CHANGED_IN: Record<string, Part> = {
  ...{ title: 'about', summary: 'about', group: 'about', area: 'about', caution: 'about' },
  ...{ sources: 'about', policy: 'about', facets: 'about' },
  ...{ taxa: 'taxa', treatments: 'taxa' },
  ...{ characters: 'characters', dependence: 'characters', views: 'characters', plan: 'characters', plateTraits: 'characters' },
  ...{ scores: 'scores' },
  ...{ occurrence: 'places', regions: 'places', habitats: 'places', circumstances: 'places', company: 'places' },
  ...{ glossary: 'words', figures: 'figures' },
  ...{ unions: 'rules', costs: 'rules', field: 'rules', heredity: 'heredity' },
};

/** Where what keeps a draft from being published is mended; undefined where no part of the editor has it. */
export function goalOf({ field = '', taxon, character }: DraftLook['problems'][number]): Goal | undefined {
  const section = /^\w*/.exec(field)![0];
  return Object.hasOwn(CHANGED_IN, section) ? { part: CHANGED_IN[section], taxon, character } : undefined;
}
