import type { SpecimenWrite, StoredGuide } from '@plesion/contract';
import type { Keyed } from '@plesion/core/evidence';
import { useQuery } from '@tanstack/react-query';
import { keyQuery } from '../records/useKeys';

/**
 * What the specimen's walk through a key came to, for guides whose school is the
 * key; nothing for others, and nothing before the walk has ended.
 */
export function useKeyed(stored: StoredGuide | undefined, content: SpecimenWrite | undefined): Keyed | undefined {
  const byKey = stored?.guide.settings.call.school === 'key';
  const walk = byKey ? content?.walk : undefined;
  const key = useQuery(keyQuery(walk?.keyId, walk?.keyVersion));
  const ended = useQuery({
    queryKey: ['keyed', stored?.hash, walk, content?.readings, content?.situation, content?.judgement, key.data?.version],
    queryFn: async (): Promise<Keyed | null> => {
      // The walk is fetched only where it is asked for: the Bench of most guides does without.
      const { keyedBy } = await import('./keyedBy');
      return keyedBy(stored!.guide, key.data!.key, content!) ?? null;
    },
    enabled: Boolean(walk && key.data && stored && content),
    networkMode: 'always',
    staleTime: Number.POSITIVE_INFINITY,
  });
  return ended.data ?? undefined;
}
