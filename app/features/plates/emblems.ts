import { type Form, formsOf, type Guide } from '@plesion/core/guide';

const GROWN = /adult|breeding|flowering|wild|male/;
const grown = ({ facets }: Form) => Object.values(facets).filter((value) => GROWN.test(value)).length;

const known = new WeakMap<Guide, Form[]>();

/** One form of each terminal taxon, the most grown of its forms, those first: what stands for a guide where it is not open. */
export function emblems(guide: Guide): Form[] {
  let forms = known.get(guide);
  if (!forms) {
    const seen = new Set<string>();
    forms = formsOf(guide)
      .filter(({ cross }) => !cross)
      .sort((a, b) => grown(b) - grown(a))
      .filter(({ taxon }) => !seen.has(taxon) && seen.add(taxon));
    known.set(guide, forms);
  }
  return forms;
}
