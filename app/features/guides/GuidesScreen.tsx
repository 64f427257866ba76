import type { GuideRow } from '@plesion/contract';
import { useRouter } from 'expo-router';
import { Suspense } from 'react';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Icon } from '../../ui/Icon';
import { lazyPart } from '../../ui/lazyPart';
import { Screen } from '../../ui/Screen';
import { Empty, Failed, Loading } from '../../ui/states';
import { PageHeading } from '../../ui/PageHeading';
import { Text } from '../../ui/Text';
import { BookSearch } from '../book/BookSearch';
import { KeysSheet } from '../keys/KeysSheet';
import { GuideFigure } from './GuideFigure';
import { SharingTag } from '../sharing/SharingTag';
import { TakenGuide, useTakeGuide } from './TakeGuide';
import { useGuides, useGuidesWhole } from '../records/useGuide';
import { useSession } from '../session/useSession';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';

const OffersSheet = lazyPart(
  () => import('../sharing/OffersSheet'),
  (part) => part.OffersSheet,
);

/** The station's guides, and the way in for more. */
export function GuidesScreen() {
  const router = useRouter();
  const guides = useGuides();
  const take = useTakeGuide();
  const { role } = useSession().account;
  return (
    <Screen widest={1080}>
      <Row gap="m" align="center">
        <Box fill={200}>
          <PageHeading>Guides</PageHeading>
        </Box>
        {role !== 'learner' && <Button label="Write a guide" onPress={() => router.push('/guides/write')} />}
        <Button label="Learn from a table" onPress={() => router.push('/guides/learn')} />
        <Button
          label="Import a guide"
          hint="Import a guide from a Plesion JSON file, or with its photographs"
          busy={take.busy}
          onPress={take.choose}
          icon={<Icon name="upload" size={18} color={colour.kelp} />}
        />
      </Row>
      <TakenGuide take={take} />
      {guides.error && <Failed error={guides.error} retry={() => void guides.refetch()} />}
      {guides.isPending && <Loading what="The guides" />}
      {guides.data?.guides.length === 0 && (
        <Empty title="No guide yet">Write one, or import one from a file or from another station.</Empty>
      )}
      <SearchAll rows={guides.data?.guides ?? []} />
      <Row gap="m">
        {guides.data?.guides.map((row) => (
          <GuideCard key={row.id} row={row} />
        ))}
      </Row>
      <Suspense>
        <OffersSheet />
      </Suspense>
      <KeysSheet />
    </Screen>
  );
}

/** Find a taxon in any guide by any of its names. */
function SearchAll({ rows }: { rows: readonly GuideRow[] }) {
  const stored = useGuidesWhole(rows.map(({ id }) => id));
  return stored.length ? <BookSearch guides={stored} /> : null;
}

/** A guide on the shelf: three of its kinds drawn, its title, what it is about. */
function GuideCard({ row }: { row: GuideRow }) {
  return (
    <LinkBox href={`/guides/${row.id}`} fill={330} most={620} clip ruled="round" ruledIn="edge" round="l" tone="sheet">
      <Row justify="evenly" padY="m" ruled="below" ruledIn="edge" tone="paper" oneLine gap="none">
        {[0, 1, 2].map((nth) => (
          <GuideFigure
            key={nth}
            id={row.id}
            nth={nth}
            width={106}
            height={88}
            none={nth === 0 ? 'not drawn: told by words' : undefined}
          />
        ))}
      </Row>
      <Stack gap="xs" pad="m">
        <Text size="title">{row.title}</Text>
        <SharingTag guideId={row.id} />
        <Text size="small" quiet>{`${row.forms} forms · ${row.characters} characters · version ${row.version}`}</Text>
        <Text size="small" numberOfLines={4}>
          {row.summary}
        </Text>
      </Stack>
    </LinkBox>
  );
}
