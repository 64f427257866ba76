import { type SpecimenRow, urlOf } from '@plesion/contract';
import { Link } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';
import { Photo } from '../../ui/Photo';
import { Stack } from '../../ui/Stack';
import { sayDate } from '../../lib/dates';
import { colour, radius, space, useWide } from '../../theme';
import { Text } from '../../ui/Text';

/** Characters after which the daybook says itself how a specimen stands. */
export const ENOUGH = 3;

/** The newest specimen that was photographed and is still waiting to be read. */
export const waitingOf = (rows: readonly SpecimenRow[]): SpecimenRow | undefined =>
  rows.find(({ photo, named, hidden }) => photo && !named && !hidden);

/** A photograph that waits for its characters: the way in for whoever is new here, and for what was left unread. */
export function WaitingCard({ row }: { row: SpecimenRow }) {
  const wide = useWide();
  const left = ENOUGH - row.readings;
  const title = row.readings === 0 ? 'What is it?' : left > 0 ? `${row.readings} of ${ENOUGH} characters read` : row.summary.name;
  return (
    <Link href={`/specimens/${row.id}/bench`} asChild>
      <Pressable style={StyleSheet.flatten([styles.card, wide && styles.wide])}>
        <Photo
          source={{ uri: urlOf('photo', { params: { hash: row.photo! } }) }}
          resizeMode="cover"
          style={StyleSheet.flatten([styles.photo, wide && styles.photoWide])}
        />
        <Stack fill pad="l">
          <Text size="title" heading={2}>
            {title}
          </Text>
          <Text>{left > 0 ? sayLeft(left) : row.summary.text}</Text>
          <Text size="small" quiet>
            {[row.label, row.place, sayDate(row.date)].filter(Boolean).join(' · ')}
          </Text>
          <View style={styles.go}>
            <Text strong color={colour.sheet}>
              {row.readings === 0 ? 'Read its characters' : 'Go on'}
            </Text>
          </View>
        </Stack>
      </Pressable>
    </Link>
  );
}

function sayLeft(left: number): string {
  if (left === ENOUGH)
    return 'Read three characters off the photograph and watch how far they carry: to a name, to one of two, or not yet.';
  return left > 0 ? `${left} more, and see whether that is enough to say so.` : '';
}

const styles = StyleSheet.create({
  card: { backgroundColor: colour.sheet, borderRadius: radius.l, borderWidth: 1, borderColor: colour.edge, overflow: 'hidden' },
  wide: { flexDirection: 'row' },
  photo: { width: '100%', height: 220, backgroundColor: colour.paper },
  photoWide: { width: 340, height: 244 },
  go: {
    alignSelf: 'flex-start',
    backgroundColor: colour.kelp,
    borderRadius: radius.m,
    paddingHorizontal: space.l,
    paddingVertical: space.m,
    marginTop: space.xs,
  },
});
