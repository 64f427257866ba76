import type { ColonyMember } from '@plesion/contract/colony';
import type { Guide } from '@plesion/core/guide';
import { facetsShown, kindForm } from '@plesion/core/pedigree';
import type { Plate } from '@plesion/core/plates';
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
export const MemberPlate = ({ guide, member, sexP, width }: Props) => (
  <KindPlate guide={guide} facets={facetsOf(guide, member, sexP)} width={width} />
);

/** The same drawing, and what tells it from those of others. */
export function plateOfMember(
  guide: Guide,
  member: Props['member'],
  sexP?: Props['sexP'],
): { key: string; plate: Plate } | undefined {
  const facets = facetsOf(guide, member, sexP);
  const plate = plateOf(guide, facets);
  return plate && { key: Object.values(facets).join('-').replace(/\W+/g, '-'), plate };
}

function facetsOf(guide: Guide, { kept }: Props['member'], sexP: Props['sexP']): Record<string, string> {
  const sex = sexP ? (sexP.female >= sexP.male ? 'female' : 'male') : (kept.sex?.called ?? 'male');
  return facetsShown(guide, kept.phenotypes, sex);
}

/** The form of the kind that a guide's heredity is about, with these facets. */
export function KindPlate({ guide, facets, width }: { guide: Guide; facets: Record<string, string>; width: number }) {
  const plate = plateOf(guide, facets);
  const height = width * 0.74;
  return plate ? <PlateView plate={plate} width={width} height={height} /> : <View style={{ width, height }} />;
}

function plateOf(guide: Guide, facets: Record<string, string>): Plate | undefined {
  const compiled = compiledOf(guide);
  const at = kindForm(guide, compiled, facets);
  const form = at < 0 ? undefined : compiled.forms[at];
  return form && formPlate(guide, form.id, mainView(guide), 'thumb');
}
