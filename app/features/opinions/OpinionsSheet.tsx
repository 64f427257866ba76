import type { Guide } from '@plesion/core/guide';
import { useQuery } from '@tanstack/react-query';
import { Suspense } from 'react';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { lazyPart } from '../../ui/lazyPart';
import { Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { useSession } from '../session/useSession';
import { AskedCard } from './AskedCard';
import { asksOf, opinionsApi } from './opinionsApi';

/** Fetched when somebody wants to ask. */
const AskForm = lazyPart(
  () => import('./AskForm'),
  (form) => form.AskForm,
);

/** What others make of a specimen: asked blind, pooled as far as they are independent, decided by who asked. */
export function OpinionsSheet({ specimenId, guide }: { specimenId: string; guide: Guide }) {
  const { role } = useSession().account;
  const found = useQuery({
    queryKey: asksOf(specimenId),
    queryFn: ({ signal }) => opinionsApi('asks', { query: { specimenId } }, signal),
  });
  const asks = found.data?.asks;
  return (
    <Card title="Second opinions">
      {found.error && <Failed error={found.error} retry={() => void found.refetch()} />}
      {asks?.length === 0 && (
        <Text quiet>Nobody was asked yet. Those who are see picture and situation, not the name, and not what others said.</Text>
      )}
      {asks?.map((ask) => (
        <AskedCard key={ask.id} ask={ask} guide={guide} />
      ))}
      {asks && role !== 'learner' && (
        <Disclosure title="Ask somebody">
          <Suspense fallback={<Loading what="The form" />}>
            <AskForm specimenId={specimenId} />
          </Suspense>
        </Disclosure>
      )}
    </Card>
  );
}
