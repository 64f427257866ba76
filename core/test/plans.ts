import { compileGuide, type Guide } from '../guide';
import { traitsOf, type Traits } from '../plates';
import { planOf } from '../plates/plans';

/** A guide drawn: its usual individuals, and which parts of a drawing a change of one trait touches. */
export function drawnGuide(guide: Guide) {
  const compiled = compileGuide(guide, { circumstances: guide.circumstances?.map(({ id }) => id) });
  const plan = planOf(guide)!;
  const usual = (form: number): Traits => traitsOf(compiled, form);
  return {
    compiled,
    plan,
    usual,
    /** Parts whose inks differ once `change` is made, in order of the alphabet. */
    changed(base: Traits, change: Traits, view: string): string[] {
      const byPart = (traits: Traits) => {
        const parts = new Map<string, string>();
        for (const ink of plan.draw(traits, view, 'full').inks)
          parts.set(ink.part, (parts.get(ink.part) ?? '') + JSON.stringify(ink));
        return parts;
      };
      const [before, after] = [byPart(base), byPart({ ...base, ...change })];
      return [...new Set([...before.keys(), ...after.keys()])].filter((part) => before.get(part) !== after.get(part)).sort();
    },
  };
}
