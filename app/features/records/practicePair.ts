import { type Guide, lineage } from '@plesion/core/guide';
import { planOf } from './plans';

/** Where two taxa are practised with; nothing where they are of one species, or nothing of the guide is drawn. */
export function practicePair(guideId: string, guide: Guide, a: string, b: string): string | undefined {
  const [one, other] = [a, b].map((taxon) => lineage(guide, taxon).find(({ rank }) => rank === 'species')?.id);
  if (!planOf(guide) || !one || !other || one === other) return undefined;
  return `/guides/${guideId}/practice?way=pair&a=${encodeURIComponent(one)}&b=${encodeURIComponent(other)}`;
}
