import type { Count } from '@plesion/contract/fieldwork';
import type { Colony, ColonyMember } from '@plesion/contract/colony';
import type { Guide } from '@plesion/core/guide';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { v7 as mintId } from 'uuid';
import { sayDate } from '../../lib/dates';
import { colour, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Text } from '../../ui/Text';
import { countDrafts, fieldApi } from '../records/fieldDrafts';
import { useSession } from '../session/useSession';

/** Who is in which pen by the book, and what came of counting it last. */
export function PensCard({ guide, guideId, colony }: { guide: Guide; guideId: string; colony: Colony }) {
  const router = useRouter();
  const session = useSession();
  const counts = useQuery({ queryKey: ['counts'], queryFn: ({ signal }) => fieldApi('counts', {}, signal) });
  const pens = new Map<string, ColonyMember[]>();
  for (const one of colony.members)
    if (one.kept.pen && one.kept.status === 'here') pens.set(one.kept.pen, [...(pens.get(one.kept.pen) ?? []), one]);
  if (!pens.size) return null;
  const labelOf = (pen: string) => `${pen}, ${guide.title}`.slice(0, 120);
  const count = (pen: string, members: readonly ColonyMember[]) => {
    const id = mintId();
    countDrafts.startDraft(session.station.id, id, {
      ...{ version: 0, hidden: false, kind: 'inventory', label: labelOf(pen), by: session.account.name },
      at: new Date().toISOString(),
      tallies: [{ label: pen, guideId, males: 0, females: 0, unsexed: 0 }],
      expected: members.map(({ name }) => ({ name, seen: false })),
    });
    router.push(`/field/counts/${id}`);
  };
  return (
    <Card title="Pens">
      {[...pens]
        .sort(([a], [b]) => a.localeCompare(b, 'en', { numeric: true }))
        .map(([pen, members]) => {
          const last = counts.data?.counts.find(({ label }) => label === labelOf(pen));
          return (
            <View key={pen} style={styles.row}>
              <View style={styles.words}>
                <Text strong>{pen}</Text>
                <Text size="small">{saySexes(members)}</Text>
                {last && (
                  <LinkBox href={`/field/counts/${last.id}`} style={styles.last}>
                    <Text size="small" color={missingOf(last).length ? colour.hazard : colour.kelp}>
                      {sayLast(last)}
                    </Text>
                  </LinkBox>
                )}
              </View>
              <Button small label="Count it" hint={`Count it: ${pen}`} onPress={() => count(pen, members)} />
            </View>
          );
        })}
    </Card>
  );
}

const missingOf = ({ expected = [] }: Count): string[] => expected.filter(({ seen }) => !seen).map(({ name }) => name);

function sayLast(count: Count): string {
  const missing = missingOf(count);
  const day = sayDate(count.at);
  return missing.length ? `counted ${day}: ${missing.join(', ')} not seen` : `counted ${day}: all there`;
}

function saySexes(members: readonly ColonyMember[]): string {
  const of = (sex?: string) => members.filter(({ kept }) => kept.sex?.called === sex).length;
  const [females, males, untold] = [of('female'), of('male'), of(undefined)];
  return [
    females && `${females} ${females === 1 ? 'female' : 'females'}`,
    males && `${males} ${males === 1 ? 'male' : 'males'}`,
    untold && `${untold} not sexed`,
  ]
    .filter(Boolean)
    .join(', ');
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.s,
    borderTopWidth: 1,
    borderColor: colour.mist,
    paddingVertical: space.xs,
  },
  words: { flex: 1, minWidth: 160, gap: 2 },
  last: { justifyContent: 'center', alignSelf: 'flex-start', flexShrink: 1 },
});
