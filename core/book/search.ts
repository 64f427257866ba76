import { findTaxa, formsOf, type Found, type Guide, isUnder, plainText } from '../guide/working';

/** Anything of a guide that can be looked up by a name. */
export type Hit =
  | { kind: 'taxon'; id: string; label: string; by: Found; form?: string }
  | { kind: 'character'; id: string; label: string; by?: string }
  | { kind: 'term'; id: string; label: string; by?: string }
  | { kind: 'source'; id: string; label: string; by?: string };

/**
 * Everything of a guide that some words name: taxa by any of their names, then
 * characters by their label or a state's, terms, and sources. Every word must be
 * found; accents and case do not matter. Nothing is found by no words.
 */
export function searchGuide(guide: Guide, text: string): Hit[] {
  const words = plainText(text).split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const holds = (name: string) => words.every((word) => plainText(name).includes(word));
  const forms = formsOf(guide);
  const taxa = findTaxa(guide, text).map((by): Hit => {
    const form = forms.find((one) => isUnder(guide, one.taxon, by.taxon))?.id;
    return {
      kind: 'taxon',
      id: by.taxon,
      label: guide.taxa.find(({ id }) => id === by.taxon)!.name,
      by,
      ...(form ? { form } : {}),
    };
  });
  const characters = guide.characters.flatMap(({ id, label, states }): Hit[] => {
    if (holds(label)) return [{ kind: 'character', id, label }];
    const state = states?.find((one) => holds(one.label));
    return state ? [{ kind: 'character', id, label, by: state.label }] : [];
  });
  const terms = (guide.glossary ?? []).flatMap(({ id, term, also }): Hit[] => {
    if (holds(term)) return [{ kind: 'term', id, label: term }];
    const other = also?.find(holds);
    return other ? [{ kind: 'term', id, label: term, by: other }] : [];
  });
  const sources = guide.sources.flatMap(({ id, label, citation }): Hit[] =>
    holds(label) || holds(citation) ? [{ kind: 'source', id, label }] : [],
  );
  return [...taxa, ...characters, ...terms, ...sources];
}
