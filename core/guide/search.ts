import { plainText } from './plainText';
import type { Guide, OtherName } from './schema';

/** A taxon found by one of its names. */
export interface Found {
  taxon: string;
  /** The name that matched, as the guide writes it. */
  by: string;
  kind: 'name' | 'vernacular' | OtherName['kind'];
  note?: string;
}

const KIND_ORDER = ['name', 'vernacular', 'nickname', 'former', 'misleading'];

/** Taxa whose name, vernacular, former name, nickname or misleading name holds every word asked, each once. */
export function findTaxa(guide: Pick<Guide, 'taxa'>, text: string): Found[] {
  const words = plainText(text).split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const found = guide.taxa.flatMap((taxon): Found[] => {
    const names: Found[] = [
      { taxon: taxon.id, by: taxon.name, kind: 'name' },
      ...(taxon.vernacular ? [{ taxon: taxon.id, by: taxon.vernacular, kind: 'vernacular' as const }] : []),
      ...(taxon.names ?? []).map(({ name, kind, note }) => ({ taxon: taxon.id, by: name, kind, note })),
    ];
    const match = names.find(({ by }) => words.every((word) => plainText(by).includes(word)));
    return match ? [match] : [];
  });
  return found.sort((a, b) => KIND_ORDER.indexOf(a.kind) - KIND_ORDER.indexOf(b.kind));
}

/** "a former name of", "a name that misleads, often used for". */
export function sayOtherName(kind: OtherName['kind']): string {
  return { former: 'a former name of', nickname: 'a nickname of', misleading: 'a misleading name of' }[kind];
}
