import { type Guide, isUnder } from '@plesion/core/guide';
import type { Plate } from '@plesion/core/plates';
import { formPlate, hasView } from '../plates/plates';
import { compiledOf } from '../records/compiled';

/** A form that stands for a group of a rank, where the view shows it. */
const formOf = (guide: Guide, taxon: string, view: string): string | undefined =>
  compiledOf(guide).forms.find((form) => isUnder(guide, form.taxon, taxon) && hasView(guide, form.id, view))?.id;

/** A usual one of a group, drawn. */
export function groupPlate(guide: Guide, group: string, view: string, detail: 'thumb' | 'full'): Plate | undefined {
  const form = formOf(guide, group, view);
  return form === undefined ? undefined : formPlate(guide, form, view, detail);
}
