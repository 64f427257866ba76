import type { DeskRecord, Review } from '@plesion/contract/review';
import type { Guide, NamePart } from '@plesion/core/guide';
import { namedParts, phrase } from '../records/namedParts';

type Said = Pick<Review, 'word' | 'name' | 'view'>;

export const viewLabel = (guide: Guide, view: string | undefined): string =>
  guide.views.find(({ id }) => id === view)?.label ?? view ?? '';

/** What was said of a record on the desk: "L4-01: agreed that it is *Petralda murica*." */
export function saidParts(guide: Guide, { label, name: given }: Pick<DeskRecord, 'label' | 'name'>, said: Said): NamePart[] {
  const { word, name, view } = said;
  if (word === 'agree') return phrase(`${label}: agreed, `, namedParts(guide, given), '.');
  if (word === 'name') return phrase(`${label}: named `, namedParts(guide, name!), '.');
  if (word === 'view') return phrase(`${label}: another view asked for, ${viewLabel(guide, view)}.`);
  return phrase(`${label}: passed on to the others.`);
}
