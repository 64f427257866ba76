import { type SpecimenRow, urlOf } from '@plesion/contract';
import { inHundred } from '@plesion/core/evidence';
import { sayFacets } from '@plesion/core/guide';
import { Link } from 'expo-router';
import { Suspense } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Box } from '../../ui/Box';
import { lazyPart } from '../../ui/lazyPart';
import { Photo } from '../../ui/Photo';
import { Stack } from '../../ui/Stack';
import { colour, radius, space } from '../../theme';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { WrittenName } from '../../ui/WrittenName';
import { useGuide } from '../records/useGuide';

/** Names and places are there to be read before anything is drawn. */
const RowPlate = lazyPart(
  () => import('./RowPlate'),
  (part) => part.RowPlate,
  'picture',
);

/** One specimen of the daybook: what it is as far as it goes, how sure, where. */
export function DaybookRow({ row }: { row: SpecimenRow }) {
  const guide = useGuide(row.guideId).data?.guide;
  const facets = guide ? sayFacets(guide, row.summary.facets) : '';
  const sure = row.summary.p > 0 ? inHundred(row.summary.p) : undefined;
  return (
    <Link href={row.named || !row.guideId ? `/specimens/${row.id}` : `/specimens/${row.id}/bench`} asChild>
      <Pressable style={styles.row}>
        <View style={styles.thumb}>
          {row.photo ? (
            <Photo
              source={{ uri: urlOf('photo', { params: { hash: row.photo }, query: { size: 'thumb' } }) }}
              style={styles.photo}
            />
          ) : (
            guide && (
              <Suspense fallback={null}>
                <RowPlate guide={guide} row={row} />
              </Suspense>
            )
          )}
        </View>
        <Box fill>
          {guide && row.summary.taxon && (row.named || row.summary.qualifier !== 'unknown') ? (
            <TaxonName guide={guide} {...row.summary} size={18} lines={2} />
          ) : (
            <GuidelessName row={row} />
          )}
          <Text size="small" numberOfLines={1}>
            {[row.named && sure, facets].filter(Boolean).join(' · ') || row.summary.text}
          </Text>
          <Text size="small" quiet numberOfLines={1}>
            {[row.place, row.label].filter(Boolean).join(' · ') || 'no place yet'}
          </Text>
        </Box>
        <Stack gap="xs" align="end">
          <Text size="small" quiet>
            {row.initials}
          </Text>
          {!row.named && (
            <View style={styles.open}>
              <Text size="small" strong color={colour.for}>
                open
              </Text>
            </View>
          )}
        </Stack>
      </Pressable>
    </Link>
  );
}

/** Without a guide a name stands as it was written; what is not a name stands upright. */
const GuidelessName = ({ row }: { row: SpecimenRow }) =>
  row.named && !row.guideId ? (
    <WrittenName name={row.summary.name} size={18} lines={2} />
  ) : (
    <Text size="lead">{row.summary.name}</Text>
  );

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    minHeight: 84,
    padding: space.s,
    backgroundColor: colour.sheet,
    borderRadius: radius.m,
    borderWidth: 1,
    borderColor: colour.edge,
  },
  thumb: {
    width: 84,
    height: 66,
    borderRadius: radius.s,
    backgroundColor: colour.paper,
    alignItems: 'center',
    justifyContent: 'center',
  },
  photo: { width: 84, height: 66, borderRadius: radius.s },
  open: { borderWidth: 1.5, borderColor: colour.for, borderStyle: 'dashed', borderRadius: radius.s, paddingHorizontal: space.s },
});
