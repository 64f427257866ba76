import type { Danger } from './schema';
import { type Character, type CompiledGuide, type Hazard, hasFacets, HAZARD_GRADES, isUnder } from '../guide/working';
import type { Situation } from '../observation';
import { inHundred } from './say';
import type { WeighedPosterior } from './posterior';

/** What the danger withholds. */
export interface Hazards {
  possible: Danger[];
  /** Are characters that need close handling withheld? */
  withheld: boolean;
  /** Why, or why not. */
  reason?: string;
}

const isGrave = (grade: Hazard['grade']) => HAZARD_GRADES.indexOf(grade) >= HAZARD_GRADES.indexOf('serious');

/**
 * The hazards of forms that are at least as probable as their threshold, worst
 * first. While one of them is serious, close characters are withheld; a photograph, or
 * a dead specimen safely held, lifts that.
 */
export function hazardsOf(compiled: CompiledGuide, full: WeighedPosterior, situation: Situation): Hazards {
  const { guide, forms } = compiled;
  const possible = guide.taxa.flatMap((taxon) =>
    (taxon.hazards ?? []).flatMap((hazard): Danger[] => {
      const p = forms.reduce(
        (sum, form, f) =>
          sum + (isUnderOrCross(compiled, form.taxon, taxon.id) && hasFacets(form, hazard.facets) ? full.p[f] : 0),
        0,
      );
      const threshold = hazard.threshold ?? guide.settings.danger;
      if (p < threshold) return [];
      return [
        {
          taxon: taxon.id,
          name: taxon.name,
          kind: hazard.kind,
          grade: hazard.grade,
          p,
          threshold,
          text: hazard.text,
          advice: advise(hazard, situation),
          ...(taxon.legal ? { legal: taxon.legal } : {}),
        },
      ];
    }),
  );
  possible.sort((a, b) => HAZARD_GRADES.indexOf(b.grade) - HAZARD_GRADES.indexOf(a.grade) || b.p - a.p);
  const worst = possible.find(({ grade }) => isGrave(grade));
  if (!worst) return { possible, withheld: false };
  const lifted = situation.subject === 'photograph' || situation.subject === 'dead';
  if (lifted) {
    const what = situation.subject === 'photograph' ? 'a photograph' : 'a dead specimen safely held';
    return { possible, withheld: false, reason: `Close characters are offered because this is ${what}.` };
  }
  return {
    possible,
    withheld: true,
    reason: `Close characters are withheld while ${worst.name} is possible (${inHundred(worst.p)}). Read what can be seen from a distance, or from a photograph.`,
  };
}

/** A taxon, or the cross of one, is under the taxon named. */
function isUnderOrCross({ guide }: CompiledGuide, taxon: string, ancestor: string): boolean {
  const parents = guide.taxa.find(({ id }) => id === taxon)?.cross ?? [taxon];
  return parents.some((id) => isUnder(guide, id, ancestor));
}

const KEEP_AWAY: Record<Hazard['kind'], string> = {
  venom: 'Keep away: do not touch it or pick it up.',
  toxin: 'Do not taste it or let it near food; keep it from the mouth and eyes.',
  irritant: 'Do not touch it with bare skin; keep sap and hairs from the eyes.',
  bite: 'Keep hands out of its reach.',
};

function advise({ kind }: Hazard, { subject }: Situation): string {
  const medical = 'If someone is hurt, seek medical help at once; what this page says does not replace it.';
  if (subject === 'photograph') return `Seen on a photograph only. ${medical}`;
  if (subject === 'dead') return `A dead one can still hurt: keep it as it is safely held. ${medical}`;
  return `${KEEP_AWAY[kind]} ${medical}`;
}

/** Does reading the character bring one close to a living animal or plant? */
export const isClose = (character: Character): boolean => character.handling !== 'look' || character.distance === 'hand';
