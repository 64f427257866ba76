import { urlOf } from '@plesion/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Text } from '../../ui/Text';
import { Typeset } from '../../ui/Typeset';
import { colour } from '../../theme';
import { BlindRecord } from './BlindRecord';
import { OpinionForm, type SentOpinion } from './OpinionForm';
import { opinionsApi } from './opinionsApi';
import { opinionParts } from './sayOpinion';

/** One is asked what one makes of a record: it is seen without its name, and without the others’ words. */
export function BlindScreen({ id }: { id: string }) {
  const client = useQueryClient();
  const found = useQuery({
    queryKey: ['opinions', 'record', id],
    queryFn: ({ signal }) => opinionsApi('blindRecord', { params: { id } }, signal),
  });
  const give = useMutation({
    mutationFn: ({ id: own, opinion }: SentOpinion) => opinionsApi('giveOpinion', { params: { id }, body: { id: own, opinion } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['opinions'] }),
  });
  return (
    <AsyncScreen what="The record" value={found.data} error={found.error} retry={() => void found.refetch()}>
      {(record) => (
        <Screen widest={760}>
          <PageHeading>An opinion is asked</PageHeading>
          <BlindRecord record={record} photoUrl={(hash) => urlOf('photo', { params: { hash } })} />
          {record.given ? (
            <Card title="What you said">
              <Typeset strong parts={opinionParts(record.guide.guide, record.given.opinion)} />
              {record.given.opinion.note && <Text>{record.given.opinion.note}</Text>}
              {give.data && (
                <LinkBox href={`/specimens/${give.data.specimenId}`}>
                  <Text strong color={colour.kelp}>
                    What the others said
                  </Text>
                </LinkBox>
              )}
            </Card>
          ) : (
            <OpinionForm askId={id} guide={record.guide.guide} send={(said) => give.mutateAsync(said)} />
          )}
        </Screen>
      )}
    </AsyncScreen>
  );
}
