import { frequencyNumber, type Guide, lineage } from '@plesion/core/guide';

/** Regions of a guide in which a taxon is recorded, or those it belongs to. */
export function regionsOf(guide: Guide, taxon: string): string[] {
  const line = new Set(lineage(guide, taxon).map(({ id }) => id));
  return [
    ...new Set(
      guide.occurrence.flatMap((one) =>
        one.kind === 'range' && line.has(one.taxon) && frequencyNumber(one.frequency, guide.settings.words) > 0
          ? [one.region]
          : [],
      ),
    ),
  ];
}
