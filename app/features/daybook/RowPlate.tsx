import type { SpecimenRow } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { formPlate, mainView } from '../plates/plates';
import { PlateView } from '../plates/PlateView';

/** A specimen as its readings and its name say it looks. */
export function RowPlate({ guide, row }: { guide: Guide; row: SpecimenRow }) {
  const plate = formPlate(guide, row.summary.leadingForm, mainView(guide), 'thumb', row.traits);
  return plate ? <PlateView plate={plate} width={78} height={60} /> : null;
}
