import type { PairsWrite } from '@plesion/contract/colony';
import type { Guide } from '@plesion/core/guide';
import { hiddenIn, shownBy } from './words';

/** Something that may be wanted of a pairing. */
export interface Goal {
  id: string;
  label: string;
  asked: PairsWrite['goal'];
  /** By which young are drawn, where it is a facet of the guide. */
  facets?: Record<string, string>;
}

/** What a guide lets one want: young that show something, or to be told of a hidden gene. */
export function goalsOf(guide: Guide): Goal[] {
  const facets = (character: string, state: string) => (character in guide.facets ? { facets: { [character]: state } } : {});
  const shown = shownBy(guide).flatMap(({ id, label, states }) =>
    states.map((state): Goal => ({
      id: `show ${id} ${state.id}`,
      label: `Young of the ${label} “${state.label}”`,
      asked: { shows: { character: id, state: state.id } },
      ...facets(id, state.id),
    })),
  );
  const hidden = hiddenIn(guide).map(({ id, label, locus, allele, character, state }): Goal => ({
    id: `tell ${id}`,
    label: `Tell soonest who carries “${label}”`,
    asked: { locus, allele, shows: { character, state } },
    ...facets(character, state),
  }));
  return [...shown, ...hidden];
}
