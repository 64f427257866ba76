import { posteriorOf } from '../../evidence';
import { type CompiledGuide, type FacetName, type Guide, isUnder } from '../../guide/working';
import type { Situation } from '../../observation';
import type { Destination, Key } from '../schema';
import type { KeyedSpecimen } from './schema';
/** A facet that the key is not for counts when it is at least this probable. */
const HELD = 0.5;

/** In what way a result lies beyond the group, the area or the forms that the key was made for; empty when it does not. */
export function beyondOf(
  key: Key,
  guide: Guide | undefined,
  situation: Situation,
  specimens: readonly KeyedSpecimen[],
  compiled: CompiledGuide | undefined,
  to: Destination,
): string[] {
  const out: string[] = [];
  if (to.kind === 'key') out.push(`This key ends here; go on with the key to ${to.title}.`);
  if (!guide) return out;
  const { scope } = key;
  if (to.kind === 'taxon' && to.taxon === undefined) out.push(`“${to.name}” is not in this guide, so nothing can be checked.`);
  if (to.kind === 'taxon' && to.taxon && scope?.taxon && !isUnder(guide, to.taxon, scope.taxon)) {
    const group = guide.taxa.find(({ id }) => id === scope.taxon)?.name ?? scope.taxon;
    out.push(`${to.name} lies outside the group this key is for (${group}).`);
  }
  if (scope?.regions && situation.region && !scope.regions.includes(situation.region)) {
    const label = (id: string) => guide.regions.find((region) => region.id === id)?.label ?? id;
    out.push(
      `The key is for ${scope.regions.map(label).join(', ')}; this was found in ${label(situation.region)}, where others may occur.`,
    );
  }
  if (to.kind === 'taxon' && to.taxon && situation.region) {
    const rare = guide.occurrence.some(
      (record) =>
        record.kind === 'range' &&
        record.region === situation.region &&
        isUnder(guide, to.taxon!, record.taxon) &&
        (record.frequency === 'never' || record.frequency === 0),
    );
    if (rare) out.push(`${to.name} is not known from there.`);
  }
  for (const [facet, values] of Object.entries(scope?.facets ?? {})) {
    const other = compiled && otherFacet(compiled, situation, specimens, facet as FacetName, values);
    if (other) out.push(`The key is for ${sayValues(guide, facet as FacetName, values)} only; this is more likely ${other}.`);
  }
  return out;
}

const sayValues = (guide: Guide, facet: FacetName, values: readonly string[]) =>
  values.map((id) => guide.facets[facet]?.find((value) => value.id === id)?.label ?? id).join(' or ');

function otherFacet(
  compiled: CompiledGuide,
  situation: Situation,
  specimens: readonly KeyedSpecimen[],
  facet: FacetName,
  values: readonly string[],
): string | undefined {
  const readings = specimens[0]?.readings ?? [];
  if (readings.length === 0) return undefined;
  const { p, outside } = posteriorOf(compiled, situation, readings);
  const others = new Map<string, number>();
  compiled.forms.forEach((form, f) => {
    const own = form.facets[facet];
    if (own && !values.includes(own)) others.set(own, (others.get(own) ?? 0) + p[f]);
  });
  const [most] = [...others].sort((a, b) => b[1] - a[1]);
  return most && most[1] / (1 - outside || 1) > HELD ? sayValues(compiled.guide, facet, [most[0]]) : undefined;
}
