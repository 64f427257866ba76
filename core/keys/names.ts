import { type Guide, lineage, plainText, type Taxon } from '../guide/working';
import { leadsOf } from './graph';
import type { Key, Lead } from './schema';
const plain = (name: string) => plainText(name).replace(/[*_]/g, '').replace(/\s+/g, ' ').trim();

/** Names of taxa, current and former, from the longest, so that a subspecies is not taken for its species. */
function namesOf(guide: Pick<Guide, 'taxa'>): { name: string; taxon: Taxon }[] {
  return guide.taxa
    .flatMap((taxon) => [
      { name: plain(taxon.name), taxon },
      ...(taxon.names ?? []).filter(({ kind }) => kind === 'former').map(({ name }) => ({ name: plain(name), taxon })),
    ])
    .sort((a, b) => b.name.length - a.name.length);
}

const indexes = new WeakMap<readonly Taxon[], ReturnType<typeof namesOf>>();

/**
 * The taxon a name as printed stands for: with its author or without, the genus
 * written out or shortened, current or former.
 */
export function taxonNamed(guide: Pick<Guide, 'taxa'>, printed: string): Taxon | undefined {
  let names = indexes.get(guide.taxa);
  if (!names) indexes.set(guide.taxa, (names = namesOf(guide)));
  const asked = plain(printed);
  // Another epithet may not follow: "Lithonyx novus" is not the genus Lithonyx.
  const written = printed.replace(/[*_]/g, '').replace(/\s+/g, ' ').trim();
  const begins = (name: string) =>
    asked === name || (asked.startsWith(name) && /^,?\s(?!(?:sp|spp)\b)[\p{Lu}(\d&]|^\ssp/u.test(written.slice(name.length)));
  const whole = names.find(({ name }) => begins(name));
  if (whole) return whole.taxon;
  // "L. aridus" for the one Lithonyx aridus.
  const short = names.filter(({ name }) => name.includes(' ') && begins(`${name[0]}. ${name.slice(name.indexOf(' ') + 1)}`));
  const taxa = new Set(short.map(({ taxon }) => taxon));
  return taxa.size === 1 ? short[0].taxon : undefined;
}

/** The key with its endings tied to the taxa of a guide where their names are known there. */
export function withTaxa(key: Key, guide: Guide): Key {
  const tied = (lead: Lead): Lead => {
    if (lead.to.kind !== 'taxon' || lead.to.taxon) return lead;
    const taxon = taxonNamed(guide, lead.to.name);
    return taxon ? { ...lead, to: { ...lead.to, taxon: taxon.id } } : lead;
  };
  return { ...key, guide: guide.id, couplets: key.couplets.map((couplet) => ({ ...couplet, leads: couplet.leads.map(tied) })) };
}

/** Terminal taxa of the guide (within the key's group) that no lead ends at, themselves or by an ancestor. */
export function taxaMissing(key: Key, guide: Pick<Guide, 'taxa'>): Taxon[] {
  const named = new Set(leadsOf(key).flatMap(({ lead }) => (lead.to.kind === 'taxon' && lead.to.taxon ? [lead.to.taxon] : [])));
  return guide.taxa.filter((taxon) => {
    if (!taxon.forms || taxon.cross) return false;
    const line = lineage(guide, taxon.id);
    if (key.scope?.taxon && !line.some(({ id }) => id === key.scope!.taxon)) return false;
    return !line.some(({ id }) => named.has(id));
  });
}
