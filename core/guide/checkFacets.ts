import type { Guide } from './schema';

/** Does a guide tell apart what is said to be told apart? */
export function checkFacets(
  guide: Guide,
  facets: Partial<Record<string, readonly string[]>>,
  unknown: (facet: string, value: string) => void,
): void {
  for (const [facet, values] of Object.entries(facets)) {
    const declared = guide.facets[facet as keyof typeof guide.facets] ?? [];
    for (const value of values ?? []) if (!declared.some((d) => d.id === value)) unknown(facet, value);
  }
}
