/** One run of a name's typesetting: taxon names lean, ranks, qualifiers and words stand upright. */
export interface NamePart {
  text: string;
  italic: boolean;
}

/** The name as plain text. */
export const nameText = (parts: readonly NamePart[]): string => parts.map((part) => part.text).join('');

/** *Petralda murica* → *P. murica*; what is no binomial, such as a label from a table, stays whole. */
export function shortName(name: string): string {
  if (!/^\p{Lu}\p{L}+ \p{Ll}/u.test(name)) return name;
  const [genus, ...rest] = name.split(' ');
  return rest.length ? `${genus[0]}. ${rest.join(' ')}` : name;
}

/** Ranks that stand in the name before its last word. */
const RANK_SIGNS: Partial<Record<string, string>> = { subspecies: '', variety: 'var.', subgenus: 'subgen.' };

/** A taxon's own name as it is typeset, by its rank. */
export function taxonParts(name: string, rank: string): NamePart[] {
  const sign = RANK_SIGNS[rank];
  const words = name.split(' ');
  if (!sign || words.length < 3) return [{ text: name, italic: isItalic(rank) }];
  return [
    { text: words.slice(0, -1).join(' '), italic: true },
    { text: ` ${sign} `, italic: false },
    { text: words.at(-1)!, italic: true },
  ];
}

/** Names above the genus stand upright. */
export const isItalic = (rank: string): boolean => rank !== 'family' && rank !== 'tribe';

/** Words within a name that stand upright: ranks, qualifiers, and the sign of a cross. */
const UPRIGHT = /^(?:cf\.?|aff\.?|sp\.?|spp\.?|ssp\.?|subsp\.?|var\.?|f\.?|forma|nr\.?|agg\.?|gen\.|n\.|nov\.|×|x)$/;
/** Endings of names above the genus, which stand upright. */
const ABOVE_GENUS = /(?:idae|inae|oidea|aceae|oideae|ales|iformes)$/;
const GENUS = /^\p{Lu}[\p{Ll}-]+$|^\p{Lu}\.$/u;
const EPITHET = /^\p{Ll}[\p{Ll}-]+\.?$/u;
/** Small words that belong to people's names and to sentences, not to a species. */
const PARTICLE = /^(?:de|da|di|du|von|van|den|der|la|le|et|and|in|ex|the|of|or|with)$/;

/**
 * Typeset a name as it stands in a text: the genus and the epithets lean, the
 * authority and its year, ranks, qualifiers and notes stand upright. What does not
 * begin as a scientific name stays upright whole.
 *
 * @example typesetName('Velda alba (Tessel, 1901)') // [{ Velda alba, italic }, { (Tessel, 1901), upright }]
 */
export function typesetName(name: string): NamePart[] {
  const words = name.split(/(\s+)/);
  const [first] = words;
  if (!GENUS.test(first) || ABOVE_GENUS.test(first)) return [{ text: name, italic: false }];
  const parts: NamePart[] = [];
  let open = true;
  const put = (text: string, italic: boolean) => {
    const last = parts.at(-1);
    if (last && (last.italic === italic || /^\s+$/.test(text))) last.text += text;
    else parts.push({ text, italic });
  };
  words.forEach((word, i) => {
    if (/^\s*$/.test(word)) return put(word, parts.at(-1)?.italic ?? false);
    if (i === 0) return put(word, true);
    if (open && UPRIGHT.test(word)) return put(word, false);
    const again = word === '×' || words[i - 2] === '×' || words[i - 2] === 'or';
    open = open && ((EPITHET.test(word) && !PARTICLE.test(word)) || (again && GENUS.test(word)));
    put(word, open);
  });
  return parts;
}
