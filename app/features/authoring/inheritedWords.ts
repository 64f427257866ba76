import { FACETS, type HereditySection } from '@plesion/core/guide';
import { FACET_NAMES } from './FacetChoices';
import type { PartProps } from './WritingScreen';

type Draft = PartProps['draft'];
type Expression = HereditySection['characters'][number];
export type ShownRule = Expression['rules'][number];
export type Test = ShownRule['where'][string];

/** Something by which genes may be seen, with its states. */
export interface SeenBy {
  id: string;
  label: string;
  states: readonly { id: string; label: string }[];
}

/** What of a draft may be inherited: its facets but sex, and its characters that are told by states. */
export const seenBys = ({ facets, characters }: Pick<Draft, 'facets' | 'characters'>): SeenBy[] => [
  ...FACETS.flatMap((id) => (id !== 'sex' && facets[id] ? [{ id, label: FACET_NAMES[id], states: facets[id] }] : [])),
  ...characters.flatMap(({ id, label, states }) => (states && states.length > 1 ? [{ id, label, states }] : [])),
];

export const labelIn = (all: readonly { id: string; label: string }[] | undefined, id: string): string =>
  all?.find((one) => one.id === id)?.label ?? id;

export const locusName = ({ loci }: Pick<HereditySection, 'loci'>, id: string): string => {
  const locus = loci.find((one) => one.id === id);
  return locus?.label ?? id;
};

/** What a genotype must be, in words. */
export const sayTest = (test: Test): string =>
  'has' in test ? `has ${test.has}` : 'only' in test ? `only ${test.only}` : test.is;

/** A rule in words: `smoke has S: smoke`; `all that are left: wild`. */
export function sayShownRule(section: Pick<HereditySection, 'loci'>, seen: SeenBy | undefined, rule: ShownRule): string {
  const tests = Object.entries(rule.where).map(([locus, test]) => `${locusName(section, locus)} ${sayTest(test)}`);
  const when = [rule.sex, ...tests].filter(Boolean).join(', ') || 'all that are left';
  const shows =
    typeof rule.shows === 'string'
      ? labelIn(seen?.states, rule.shows)
      : Object.entries(rule.shows)
          .map(([state, share]) => `${labelIn(seen?.states, state)} ${+(100 * share).toFixed(2)} in 100`)
          .join(', ');
  return `${when}: ${shows}`;
}
