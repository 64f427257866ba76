import type { Colony, ColonyMember } from '@plesion/contract/colony';
import type { Guide } from '@plesion/core/guide';
import { strainsOf } from '@plesion/core/pedigree';
import { type QueryClient, useQuery, useQueryClient } from '@tanstack/react-query';
import { Suspense, useMemo, useState } from 'react';
import { View } from 'react-native';
import { api } from '../../lib/api';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { lazyPart } from '../../ui/lazyPart';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Empty, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { individualDrafts } from '../records/bookDrafts';
import { useSession } from '../session/useSession';
import { CareCard } from './CareCard';
import { MemberForm } from './MemberForm';
import { MemberPlate } from './MemberPlate';
import { PairCard } from './PairCard';
import { ProofCard } from './ProofCard';
import { Reasons } from './Reasons';
import { Unsettled } from './Unsettled';
import { useBook } from './useBook';
import { foundWords, locusLabel, penNamesIn, sayChance, sayShares, sayPlace, saySex, sayShown } from './words';
import { Bar } from '../../ui/Bar';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';

/** Fetched after the rest of the page. */
const VerificationSheet = lazyPart(
  () => import('../verification/VerificationSheet'),
  (sheet) => sheet.VerificationSheet,
);
const SexCard = lazyPart(
  () => import('./SexCard'),
  (card) => card.SexCard,
);
const SpecimensOf = lazyPart(
  () => import('./SpecimensOf'),
  (card) => card.SpecimensOf,
);

/** One of the book: what it shows, what it carries, whose it is, and what it would have with another. */
export function MemberPage({ id }: { id: string }) {
  const station = useSession().station.id;
  const client = useQueryClient();
  const known = bookWith(client, id) ?? individualDrafts.keptContent(station, id)?.content.guideId;
  const individual = useQuery({
    queryKey: ['individual', id],
    enabled: known === undefined,
    queryFn: ({ signal }) => api('individual', { params: { id } }, signal),
  });
  const guideId = known ?? individual.data?.guideId;
  const { book, error, retry } = useBook(guideId);
  return (
    <AsyncScreen
      what="The individual"
      value={book && guideId ? { ...book, guideId } : undefined}
      error={book ? undefined : guideId === undefined ? individual.error : error}
      retry={() => (void individual.refetch(), retry())}
    >
      {({ colony, guide: own, guideId: by }) => {
        const member = colony.members.find((one) => one.id === id);
        return member ? (
          <Member member={member} colony={colony} guide={own} guideId={by} />
        ) : (
          <Screen widest={860}>
            <PageHeading>{individual.data?.label ?? 'Individual'}</PageHeading>
            <Empty title="Not in the book">It was taken out, or is kept by no book.</Empty>
          </Screen>
        );
      }}
    </AsyncScreen>
  );
}

/** The guide of a book that was seen already and has this one. */
function bookWith(client: QueryClient, id: string): string | undefined {
  const books = client.getQueriesData<Colony>({ queryKey: ['colony'] });
  const [key = []] = books.find(([, book]) => book?.members.some((one) => one.id === id)) ?? [];
  return key[1] as string | undefined;
}

interface MemberProps {
  member: ColonyMember;
  colony: Colony;
  guide: Guide;
  guideId: string;
}

function Member({ member, colony, guide, guideId }: MemberProps) {
  const [editing, setEditing] = useState(false);
  const told = colony.posterior?.individuals.find(({ id }) => id === member.name);
  const f = colony.inbreeding[member.name] ?? 0;
  const shares = useMemo(() => strainsOf(colony.members).get(member.id) ?? {}, [colony.members, member.id]);
  const sexes = new Map(colony.posterior?.individuals.map(({ id, sexP }) => [id, sexP]));
  return (
    <Screen widest={860}>
      <Row gap="m" align="center">
        <MemberPlate guide={guide} member={member} sexP={told?.sexP} width={150} />
        <Stack gap="hair" fill least={180}>
          <PageHeading>{member.name}</PageHeading>
          <Text>{[saySex(member, told?.sexP), sayShown(guide, member)].filter(Boolean).join(', ')}</Text>
          <Text quiet>{sayPlace(member)}</Text>
          {Object.keys(shares).length > 1 && <Text size="small">{`By descent: ${sayShares(shares)}`}</Text>}
          {member.note && <Text>{member.note}</Text>}
          {member.kept.separations?.map(({ on, from, found }, i) => (
            <Text
              key={i}
              size="small"
            >{`${sayDate(on)}, kept alone: ${foundWords(from).find(({ id }) => id === found)!.label}`}</Text>
          ))}
          {member.kept.corrections?.map(({ on, what, was, now, why }, i) => (
            <Text key={i} size="small">{`${sayDate(on)}, ${what}: written “${was}”, now “${now}”: ${why}`}</Text>
          ))}
        </Stack>
      </Row>
      <Unsettled drafts={individualDrafts} id={member.id} what="individual" />
      {editing ? (
        <MemberForm
          guide={guide}
          guideId={guideId}
          members={colony.members}
          pens={penNamesIn(colony)}
          member={member}
          onDone={() => setEditing(false)}
        />
      ) : (
        <Row>
          <Button small label="Change what is written" onPress={() => setEditing(true)} />
        </Row>
      )}
      {told ? (
        <Card title="What it carries">
          {Object.entries(told.genotypes).map(([locus, all]) => (
            <Stack key={locus} gap="xs">
              <Text strong>{locusLabel(guide, locus)}</Text>
              {all.slice(0, 6).map(({ genotype, p }) => (
                <Row key={genotype} align="center" oneLine>
                  <Text figures least={56}>
                    {genotype}
                  </Text>
                  <Bar fill part={p} />
                  <Text figures least={96} set="right">
                    {sayChance(p)}
                  </Text>
                </Row>
              ))}
              <Reasons guide={guide} guideId={guideId} individual={member.id} locus={locus} book={colony} />
            </Stack>
          ))}
        </Card>
      ) : (
        <Text quiet>What it carries cannot be told while something is wrong with the records.</Text>
      )}
      <Family member={member} colony={colony} told={told} f={f} />
      <Suspense fallback={<Loading what="How it turned out" />}>
        <SexCard {...{ guide, guideId, member, told }} />
        <VerificationSheet of={{ individualId: member.id }} guide={guide} />
        <SpecimensOf individualId={member.id} />
      </Suspense>
      {member.kept.status === 'here' && (
        <>
          <CareCard key={member.version} guideId={guideId} member={member} pens={penNamesIn(colony)} />
          <PairCard guide={guide} guideId={guideId} member={member} members={colony.members} sexes={sexes} />
          <ProofCard guide={guide} guideId={guideId} member={member} members={colony.members} />
        </>
      )}
    </Screen>
  );
}

type Told = NonNullable<Colony['posterior']>['individuals'][number];

/** Parents, as far as they are known, and young. */
function Family({
  member: { id, kept },
  colony: { members },
  told,
  f,
}: {
  member: ColonyMember;
  colony: Colony;
  told?: Told;
  f: number;
}) {
  const byId = new Map(members.map((one) => [one.id, one]));
  const parents = (['father', 'mother'] as const).map((role) => {
    const ids = kept[`${role}s`] ?? [kept[role]].flatMap((one) => one ?? []);
    const chances = told?.[`${role}s`];
    return {
      role,
      all: ids
        .flatMap((parent) => byId.get(parent) ?? [])
        .map((one) => ({ one, p: chances?.find((chance) => chance.id === one.name)?.p })),
    };
  });
  const young = members.filter((one) =>
    [one.kept.father, one.kept.mother, ...(one.kept.fathers ?? []), ...(one.kept.mothers ?? [])].includes(id),
  );
  return (
    <Card title="Whose it is">
      {parents.map(({ role, all }) => (
        <View key={role}>
          {all.length === 0 && <Text quiet>{`Its ${role} is not known.`}</Text>}
          {all.map(({ one, p }) => (
            <LinkBox key={one.id} href={`/field/colony/${one.id}`} justify="center" shrink>
              <Text color={colour.kelp}>{`${role}: ${one.name}${p === undefined ? '' : `, ${sayChance(p)}`}`}</Text>
            </LinkBox>
          ))}
        </View>
      ))}
      {f > 0 && <Text>{`Inbred: F = ${f.toFixed(3)}, the chance that both its alleles are one by descent.`}</Text>}
      {young.length > 0 && <Text quiet>{`Young in the book: ${young.length}`}</Text>}
      <Row gap="m">
        {young.map((one) => (
          <LinkBox key={one.id} href={`/field/colony/${one.id}`} justify="center" shrink>
            <Text color={colour.kelp}>{one.name}</Text>
          </LinkBox>
        ))}
      </Row>
    </Card>
  );
}
