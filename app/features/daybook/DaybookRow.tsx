import { type SpecimenRow, urlOf } from '@plesion/contract';
import { inHundred } from '@plesion/core/evidence';
import { sayFacets } from '@plesion/core/guide';
import { Suspense } from 'react';
import { Box } from '../../ui/Box';
import { lazyPart } from '../../ui/lazyPart';
import { Photo } from '../../ui/Photo';
import { colour } from '../../theme';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { WrittenName } from '../../ui/WrittenName';
import { useGuide } from '../records/useGuide';
import { LinkBox } from '../../ui/LinkBox';
import { Stack } from '../../ui/Stack';

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
    <LinkBox
      href={row.named || !row.guideId ? `/specimens/${row.id}` : `/specimens/${row.id}/bench`}
      across
      oneLine
      align="center"
      gap="m"
      pad="s"
      leastTall={84}
      ruled="round"
      ruledIn="edge"
      round="m"
      tone="sheet"
    >
      <Box align="center" justify="center" wide={84} tall={66} round="s" tone="paper">
        {row.photo ? (
          <Photo
            source={{ uri: urlOf('photo', { params: { hash: row.photo }, query: { size: 'thumb' } }) }}
            wide={84}
            tall={66}
            round="s"
          />
        ) : (
          guide && (
            <Suspense fallback={null}>
              <RowPlate guide={guide} row={row} />
            </Suspense>
          )
        )}
      </Box>
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
          <Box padX="s" ruled="round" ruledIn="for" thick dashed round="s">
            <Text size="small" strong color={colour.for}>
              open
            </Text>
          </Box>
        )}
      </Stack>
    </LinkBox>
  );
}

/** Without a guide a name stands as it was written; what is not a name stands upright. */
const GuidelessName = ({ row }: { row: SpecimenRow }) =>
  row.named && !row.guideId ? (
    <WrittenName name={row.summary.name} size={18} lines={2} />
  ) : (
    <Text size="lead">{row.summary.name}</Text>
  );
