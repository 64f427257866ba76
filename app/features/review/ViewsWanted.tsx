import type { WantedOfMe } from '@plesion/contract/review';
import { useQuery } from '@tanstack/react-query';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { Card } from '../../ui/Card';
import { Failed } from '../../ui/states';
import { LinkBox } from '../../ui/LinkBox';
import { Text } from '../../ui/Text';
import { reviewApi, WANTED } from './reviewApi';

/** Views that reviewers need of one's own records; nothing where none is wanted. */
export function ViewsWanted() {
  const found = useQuery({ queryKey: WANTED, queryFn: ({ signal }) => reviewApi('viewsWanted', {}, signal) });
  if (found.error) return <Failed error={found.error} retry={() => void found.refetch()} />;
  const wanted = found.data?.wanted ?? [];
  if (wanted.length === 0) return null;
  return (
    <Card title="Another view is wanted" aside={String(wanted.length)}>
      {wanted.map((one) => (
        <Wanted key={one.id} wanted={one} />
      ))}
    </Card>
  );
}

function Wanted({ wanted: { specimenId, label, view, note, by, at, guide } }: { wanted: WantedOfMe }) {
  return (
    <LinkBox href={`/specimens/${specimenId}`} gap="hair" padY="s" ruled="above">
      <Text strong color={colour.kelp}>
        {`${label}: ${view}`}
      </Text>
      {note && <Text size="small">{note}</Text>}
      <Text size="small" quiet>
        {`${guide} · ${by}, ${sayDate(at)}`}
      </Text>
    </LinkBox>
  );
}
