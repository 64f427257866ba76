import { checkFacets } from './checkFacets';
import type { Guide } from './schema';

type Report = (field: string, code: string, message: string) => void;
type Known = (kind: 'taxon' | 'view' | 'character', id: string, field: string) => void;

/** Do photographs, and tiles that are cut out of them, show what the guide has? */
export function checkFigures(guide: Guide, report: Report, known: Known): void {
  const figures = new Set<string>();
  guide.figures?.forEach(({ id, taxon, view, facets = {}, pins = [] }, i) => {
    const at = `figures[${i}]`;
    if (figures.has(id)) report(`${at}.id`, 'id-twice', `“${id}” stands twice in figures.`);
    figures.add(id);
    known('taxon', taxon, `${at}.taxon`);
    known('view', view, `${at}.view`);
    checkFacets(guide, facets, (facet, value) =>
      report(`${at}.facets.${facet}`, 'unknown-facet', `The guide has no ${facet} “${value}”.`),
    );
    pins.forEach(({ character }, p) => known('character', character, `${at}.pins[${p}].character`));
  });
  guide.characters.forEach(({ states }, c) =>
    states?.forEach(({ tile, label }, s) => {
      if (tile?.draw !== 'photo') return;
      const at = `characters[${c}].states[${s}].tile`;
      if (!figures.has(tile.figure))
        report(
          `${at}.figure`,
          'unknown-figure',
          `“${label}” is cut out of a photograph, “${tile.figure}”, that is not in this guide.`,
        );
      const { x, y, width, height } = tile.box;
      if (x + width > 1 + ROUNDING || y + height > 1 + ROUNDING)
        report(`${at}.box`, 'outside', `“${label}” is cut out beyond the edge of its photograph.`);
    }),
  );
}

/** Shares that were rounded may add up to a little more than the whole. */
const ROUNDING = 1e-6;
