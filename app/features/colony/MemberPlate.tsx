import type { ColonyMember } from '@plesion/contract/colony';
import type { Guide } from '@plesion/core/guide';
import { View } from 'react-native';
import { formPlate, mainView } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { compiledOf } from '../records/compiled';

interface Props {
  guide: Guide;
  member: Pick<ColonyMember, 'kept'>;
  /** What its sex comes to; the one it was called where that is not told. */
  sexP?: { female: number; male: number };
  width: number;
}

/** The form of the guide's kind that an individual is, by what it shows; room for it where there is no such drawing. */
export function MemberPlate({ guide, member: { kept }, sexP, width }: Props) {
  const sex = sexP ? (sexP.female >= sexP.male ? 'female' : 'male') : (kept.sex?.called ?? 'male');
  const wanted: Record<string, string> = { sex };
  for (const [id, seen] of Object.entries(kept.phenotypes))
    if (id in guide.facets) wanted[id] = typeof seen === 'string' ? seen : seen.states[0];
  return <KindPlate guide={guide} facets={wanted} width={width} />;
}

/** The form of the kind that a guide's heredity is about, with these facets. */
export function KindPlate({ guide, facets, width }: { guide: Guide; facets: Record<string, string>; width: number }) {
  const { taxon } = guide.heredity ?? {};
  const within = new Set([taxon, ...guide.taxa.filter(({ parent }) => parent === taxon).map(({ id }) => id)]);
  const form = compiledOf(guide).forms.find(
    (one) =>
      (taxon === undefined || within.has(one.taxon)) &&
      Object.entries(facets).every(([facet, value]) => (one.facets as Record<string, string>)[facet] === value),
  );
  const plate = form && formPlate(guide, form.id, mainView(guide), 'thumb');
  const height = width * 0.74;
  return plate ? <PlateView plate={plate} width={width} height={height} /> : <View style={{ width, height }} />;
}
