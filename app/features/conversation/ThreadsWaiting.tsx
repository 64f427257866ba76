import { useQuery } from '@tanstack/react-query';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { conversationApi, WAITING } from './conversationApi';

/** Conversations in which somebody else spoke last; nothing where there are none. */
export function ThreadsWaiting() {
  const found = useQuery({ queryKey: WAITING, queryFn: ({ signal }) => conversationApi('conversationsWaiting', {}, signal) });
  if (found.error) return <Failed error={found.error} retry={() => void found.refetch()} />;
  const waiting = found.data?.waiting ?? [];
  if (waiting.length === 0) return null;
  return (
    <Card title="Somebody spoke last" aside={String(waiting.length)}>
      {waiting.map(({ id, specimenId, label, by, at, text }) => (
        <LinkBox key={id} href={`/specimens/${specimenId}`} gap="hair" padY="s" ruled="above">
          <Text strong color={colour.kelp}>
            {`${label}: ${text}`}
          </Text>
          <Text size="small" quiet>
            {`${by}, ${sayDate(at, 'minute')}`}
          </Text>
        </LinkBox>
      ))}
    </Card>
  );
}
