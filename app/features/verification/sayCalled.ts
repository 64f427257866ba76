import { type Guide, sayFacets } from '@plesion/core/guide';
import { nameParts } from '@plesion/core/specimen';
import type { Called } from '@plesion/core/verification';

/** What something was called, or was: "Petralda murica, adult male". */
export function sayCalled(guide: Guide, { taxon, other, facets }: Called): string {
  const name = nameParts(guide, { qualifier: other ? 'or' : 'none', taxon, other })
    .map(({ text }) => text)
    .join('');
  return [name, sayFacets(guide, facets)].filter(Boolean).join(', ');
}

/** Where a share likely lies, in a hundred: "44 to 73". */
export const sayRange = (low: number, high: number): string => `${Math.round(100 * low)} to ${Math.round(100 * high)}`;
