import { urlOf } from '@plesion/contract';
import type { WaitingAsk } from '@plesion/contract/opinions';
import { useQuery } from '@tanstack/react-query';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Box } from '../../ui/Box';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Photo } from '../../ui/Photo';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { Text } from '../../ui/Text';
import { ThreadsWaiting } from '../conversation/ThreadsWaiting';
import { ViewsWanted } from '../review/ViewsWanted';
import { AgreementCard } from './AgreementCard';
import { opinionsApi, WAITING } from './opinionsApi';

/** What one is asked of, and how far the station's people agree. */
export function WaitingScreen() {
  const found = useQuery({ queryKey: WAITING, queryFn: ({ signal }) => opinionsApi('opinionsWaiting', {}, signal) });
  return (
    <AsyncScreen what="Opinions" value={found.data} error={found.error} retry={() => void found.refetch()}>
      {({ waiting }) => (
        <Screen widest={760}>
          <PageHeading>Opinions</PageHeading>
          <Text quiet>
            What others ask of you, without what they called it and without anybody’s word. You ask on a specimen’s page.
          </Text>
          {waiting.length === 0 ? (
            <Empty title="Nothing waits for you">Whoever wants to know what you make of a record asks you here.</Empty>
          ) : (
            <Card title="They wait for you" aside={String(waiting.length)}>
              {waiting.map((ask) => (
                <Waiting key={ask.id} ask={ask} />
              ))}
            </Card>
          )}
          <ViewsWanted />
          <ThreadsWaiting />
          <AgreementCard />
        </Screen>
      )}
    </AsyncScreen>
  );
}

function Waiting({ ask: { id, by, at, question, guide, photo } }: { ask: WaitingAsk }) {
  const said = question ?? `What do you make of it? ${guide}`;
  return (
    <LinkBox href={`/opinions/${id}`} gap="m" align="center" padY="s" ruled="above" across oneLine>
      {photo && (
        <Photo
          source={{ uri: urlOf('photo', { params: { hash: photo }, query: { size: 'thumb' } }) }}
          wide={64}
          tall={64}
          round="s"
          tone="mist"
        />
      )}
      <Box fill>
        <Text strong color={colour.kelp}>
          {said}
        </Text>
        <Text size="small" quiet>
          {`${guide} · ${by}, ${sayDate(at)}`}
        </Text>
      </Box>
    </LinkBox>
  );
}
