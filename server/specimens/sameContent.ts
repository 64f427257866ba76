import { isDeepStrictEqual } from 'node:util';
import type { Specimen, SpecimenWrite } from '@plesion/contract';

/** Does a stored specimen hold just what was sent? Then the same write came twice. */
export function sameContent(stored: Specimen, sent: SpecimenWrite): boolean {
  const content = ({ guideId, label, situation, readings, determinations, photo, hidden }: Omit<SpecimenWrite, 'version'>) =>
    JSON.parse(JSON.stringify({
      guideId, label, situation, readings, photo, hidden, determinations: determinations.map(({ id }) => id),
    })) as unknown;
  return isDeepStrictEqual(content(stored), content(sent));
}
