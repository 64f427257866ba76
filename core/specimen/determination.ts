import type { Reading } from '../evidence';
import { type Facets, type Guide, type SourcePolicy, taxonIndex } from '../guide/working';
import type { KeptWalk } from '../keys/kept';
import type { Judgement, Situation } from './situation';

/** Open nomenclature (Sigovini et al. 2016), and the two answers that name no taxon. */
export const QUALIFIERS = ['none', 'cf.', 'aff.', 'sp.', 'or', 'unknown', 'outside'] as const;
export type Qualifier = (typeof QUALIFIERS)[number];

/** The name given to a specimen: at a level, with a qualifier, by whom, when and why. */
export interface Determination {
  id: string;
  qualifier: Qualifier;
  /** Absent for `unknown` and `outside`. */
  taxon?: string;
  /** The second name of `or`. */
  other?: string;
  facets: Facets;
  /** Several facet values named together; the guide's id of that union. */
  union?: string;
  by: string;
  /** ISO instant. */
  at: string;
  /** P of the name when it was given, 0..1. */
  p: number;
  /** What was recommended then, in words. */
  recommended: string;
  /** Does it differ from the recommendation? Then `reason` says why. */
  overruled: boolean;
  reason?: string;
  guideVersion: number;
  /** What it was given on, so that it can be replayed with that version of the guide; set when it is stored. */
  pinned?: { situation: Situation; readings: Reading[]; policy: SourcePolicy; judgement?: Judgement; walk?: KeptWalk };
}

/** One run of a name's typesetting: taxon names lean, ranks, qualifiers and words stand upright. */
export interface NamePart {
  text: string;
  italic: boolean;
}

const ABBREVIATED: Partial<Record<string, string>> = { subspecies: '', variety: 'var.', subgenus: 'subgen.' };

/**
 * The name of a determination as it is typeset, e.g. *Petralda* cf. *murica*,
 * *Petralda cinerata* or *P. murica*, *Petralda* sp.
 */
export function nameParts(guide: Pick<Guide, 'taxa'>, name: Pick<Determination, 'qualifier' | 'taxon' | 'other'>): NamePart[] {
  if (name.qualifier === 'unknown') return [{ text: 'Unknown', italic: false }];
  if (name.qualifier === 'outside') return [{ text: 'Not in this guide', italic: false }];
  const taxon = taxonIndex(guide).get(name.taxon ?? '');
  if (!taxon) return [{ text: 'Not yet named', italic: false }];
  const italic = isItalic(taxon.rank);
  if (name.qualifier === 'sp.')
    return [
      { text: taxon.name, italic },
      { text: ' sp.', italic: false },
    ];
  if (name.qualifier === 'cf.' || name.qualifier === 'aff.') {
    const words = taxon.name.split(' ');
    if (words.length < 2)
      return [
        { text: `${name.qualifier} `, italic: false },
        { text: taxon.name, italic },
      ];
    return [
      { text: words.slice(0, -1).join(' '), italic },
      { text: ` ${name.qualifier} `, italic: false },
      { text: words.at(-1)!, italic },
    ];
  }
  const parts: NamePart[] = taxonParts(taxon.name, taxon.rank);
  const other = name.qualifier === 'or' ? taxonIndex(guide).get(name.other ?? '') : undefined;
  if (!other) return parts;
  return [...parts, { text: ' or ', italic: false }, ...taxonParts(shortName(other.name), other.rank)];
}

function taxonParts(name: string, rank: string): NamePart[] {
  const sign = ABBREVIATED[rank];
  const words = name.split(' ');
  if (!sign || words.length < 3) return [{ text: name, italic: isItalic(rank) }];
  return [
    { text: words.slice(0, -1).join(' '), italic: true },
    { text: ` ${sign} `, italic: false },
    { text: words.at(-1)!, italic: true },
  ];
}

/** Names above the genus stand upright. */
const isItalic = (rank: string) => rank !== 'family' && rank !== 'tribe';

/** *Petralda murica* → *P. murica*; what is no binomial, such as a label from a table, stays whole. */
export function shortName(name: string): string {
  if (!/^\p{Lu}\p{L}+ \p{Ll}/u.test(name)) return name;
  const [genus, ...rest] = name.split(' ');
  return rest.length ? `${genus[0]}. ${rest.join(' ')}` : name;
}

/** The name as plain text. */
export const nameText = (parts: readonly NamePart[]): string => parts.map((part) => part.text).join('');
