import { type DrawnGuide, type Plan } from '@plesion/core/plates';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { loadPlan, planOf } from '../records/plans';

/** What draws the body plan of a draft, once it is here; nothing for one without. */
export function useBodyPlan({ plan, plateTraits }: DrawnGuide): Plan | undefined {
  const { data: here } = useQuery({
    queryKey: ['body plan', plan ?? ''],
    queryFn: () => loadPlan(plan).then(() => true),
    networkMode: 'always',
    staleTime: Number.POSITIVE_INFINITY,
  });
  return useMemo(() => (here && plan ? planOf({ plan, plateTraits }) : undefined), [here, plan, plateTraits]);
}
