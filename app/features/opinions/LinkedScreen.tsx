import { addressOf } from '@plesion/contract';
import { opinionEndpoints } from '@plesion/contract/endpoints/opinions';
import { useMutation, useQuery } from '@tanstack/react-query';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { BlindRecord } from './BlindRecord';
import { OpinionForm, type SentOpinion } from './OpinionForm';
import { opinionsApi } from './opinionsApi';

/** Somebody outside the station is asked by a link: this one record, and no account. */
export function LinkedScreen({ token }: { token: string }) {
  const found = useQuery({
    queryKey: ['session', 'opinion', token],
    queryFn: ({ signal }) => opinionsApi('linkedRecord', { params: { token } }, signal),
    retry: false,
  });
  const give = useMutation({
    mutationFn: (body: SentOpinion) => opinionsApi('giveLinkedOpinion', { params: { token }, body }),
  });
  return (
    <AsyncScreen what="The record" value={found.data} error={found.error} retry={() => void found.refetch()}>
      {(record) => (
        <Screen widest={760}>
          <PageHeading>An opinion is asked</PageHeading>
          <BlindRecord
            record={record}
            photoUrl={(hash) => addressOf(opinionEndpoints.linkedPhoto, { params: { token, hash } })}
          />
          {give.isSuccess ? (
            <Notice kind="note" title="Thank you">
              {`It is kept, and ${record.by} sees it. This page may be closed.`}
            </Notice>
          ) : (
            <OpinionForm askId={record.askId} guide={record.guide.guide} outside send={(said) => give.mutateAsync(said)} />
          )}
        </Screen>
      )}
    </AsyncScreen>
  );
}
