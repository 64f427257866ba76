import type { SetRow } from '@plesion/contract/sets';
import { useQuery } from '@tanstack/react-query';
import { StyleSheet, View } from 'react-native';
import { colour, space } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
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
                <View key={set.id} style={styles.set}>
                  <LinkBox href={`/practice/sets/${set.id}`} style={styles.row}>
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
                      style={styles.results}
                    >
                      <Text size="small" strong color={colour.kelp}>
                        {sayResults(set)}
                      </Text>
                    </LinkBox>
                  )}
                </View>
              ))}
            </Card>
          )}
          {teaches && (
            <LinkBox href="/practice/sets/new" style={styles.results}>
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

const styles = StyleSheet.create({
  set: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    columnGap: space.m,
    borderTopWidth: 1,
    borderColor: colour.mist,
  },
  row: { flexGrow: 1, flexShrink: 1, flexBasis: 220, justifyContent: 'center', paddingVertical: space.s },
  results: { justifyContent: 'center' },
});
