import type { SetRow } from '@plesion/contract/sets';
import { useQuery } from '@tanstack/react-query';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { Text } from '../../ui/Text';
import { useGuides } from '../records/useGuide';
import { useTeaches } from './useTeaches';
import { SETS, setsApi } from './setsApi';

/** Sets that are given, and for who teaches those that are not yet. */
export function SetsScreen() {
  const sets = useQuery({ queryKey: SETS, queryFn: ({ signal }) => setsApi('practiceSets', {}, signal) });
  const guides = useGuides().data?.guides;
  const teaches = useTeaches();
  const titleOf = ({ guideId }: SetRow) => guides?.find(({ id }) => id === guideId)?.title ?? '';
  return (
    <AsyncScreen what="Sets" value={sets.data} error={sets.error} retry={() => void sets.refetch()}>
      {({ sets: all }) => (
        <Screen widest={720}>
          <PageHeading>Sets</PageHeading>
          <Text quiet>
            {teaches
              ? 'Individuals put together for others: for a lesson, told at once what each is; or as a test, told when you say so. Send the address of a set to your group.'
              : 'What was put together for you: for a lesson, or as a test.'}
          </Text>
          {all.length === 0 && (
            <Empty title="No set yet">
              {teaches ? 'Make one from a guide, and give it to your group.' : 'Whoever teaches here gives them to you.'}
            </Empty>
          )}
          {all.length > 0 && (
            <Card title="All sets">
              {all.map((set) => (
                <Row key={set.id} gap="m" lineGap="none" align="center" ruled="above">
                  <LinkBox href={`/practice/sets/${set.id}`} justify="center" fill={220} padY="s">
                    <Text strong color={colour.kelp}>
                      {set.title}
                    </Text>
                    <Text size="small" quiet>
                      {[
                        set.kind,
                        `${set.n} items`,
                        set.minutes && `${set.minutes} min`,
                        titleOf(set),
                        !set.given
                          ? 'not handed out yet'
                          : set.closed
                            ? 'closed'
                            : set.answered > 0 && `${set.answered} answered by you`,
                      ]
                        .filter(Boolean)
                        .join(' · ')}
                    </Text>
                  </LinkBox>
                  {teaches && (
                    <LinkBox
                      href={`/practice/sets/${set.id}/results`}
                      label={`${sayResults(set)}: ${set.title}`}
                      justify="center"
                    >
                      <Text size="small" strong color={colour.kelp}>
                        {sayResults(set)}
                      </Text>
                    </LinkBox>
                  )}
                </Row>
              ))}
            </Card>
          )}
          {teaches && (
            <LinkBox href="/practice/sets/new" justify="center">
              <Text strong color={colour.kelp}>
                Make a set
              </Text>
            </LinkBox>
          )}
        </Screen>
      )}
    </AsyncScreen>
  );
}

const sayResults = ({ begun }: SetRow): string => (begun === 1 ? 'Results of one' : `Results of ${begun}`);
