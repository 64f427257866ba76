import type { Colony, ColonyMember } from '@plesion/contract/colony';
import type { Guide } from '@plesion/core/guide';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { type ReactNode, useState } from 'react';
import { useAddress } from '../../lib/useAddress';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Stack } from '../../ui/Stack';
import { Empty } from '../../ui/states';
import { Text } from '../../ui/Text';
import { EggCard } from './EggCard';
import { FilesCard } from './FilesCard';
import { Misfits } from './Misfits';
import { COLONIES, colonyApi } from './colonyApi';
import { useBook } from './useBook';
import { MemberPlate } from './MemberPlate';
import { PensCard } from './PensCard';
import { PairingsCard } from './PairingsCard';
import { Reminders } from './Reminders';
import { sayCarried, sayPlace, saySex, sayShown } from './words';

/** Shown of those that are here until one asks for all. */
const FIRST = 15;

/** The keeper's book: who is kept, what each carries unseen, and what does not fit. */
export function ColonyScreen() {
  const [{ guide: asked }, setAddress] = useAddress(['guide'], 0);
  const books = useQuery({ queryKey: COLONIES, queryFn: ({ signal }) => colonyApi('colonies', {}, signal) });
  const colonies = books.data?.colonies ?? [];
  const chosen = colonies.find(({ guideId }) => guideId === asked) ?? colonies.at(0);
  return (
    <AsyncScreen
      what="The keeper’s book"
      value={books.data}
      error={books.data ? undefined : books.error}
      retry={() => void books.refetch()}
    >
      {() =>
        chosen ? (
          <Book
            key={chosen.guideId}
            guideId={chosen.guideId}
            choose={
              colonies.length > 1 && (
                <Picker
                  label="By which guide"
                  items={colonies.map(({ guideId, title, n }) => ({ id: guideId, label: `${title} (${n})` }))}
                  chosen={chosen.guideId}
                  onChange={(guide) => setAddress({ guide })}
                />
              )
            }
          />
        ) : (
          <Screen widest={860}>
            <PageHeading>The keeper’s book</PageHeading>
            <Empty title="No guide says how its kinds inherit">
              A guide with a section on heredity lets you keep a book of a colony: who is whose, what each shows, and what it
              carries unseen.
            </Empty>
          </Screen>
        )
      }
    </AsyncScreen>
  );
}

function Book({ guideId, choose }: { guideId: string; choose: ReactNode }) {
  const router = useRouter();
  const { book, error, retry } = useBook(guideId);
  const [all, setAll] = useState(false);
  return (
    <AsyncScreen what="The keeper’s book" value={book} error={error} retry={retry}>
      {({ colony, guide: own }) => {
        const here = colony.members.filter(({ kept }) => kept.status === 'here');
        const away = colony.members.filter(({ kept }) => kept.status !== 'here');
        return (
          <Screen
            widest={860}
            foot={
              <Row justify="end">
                {colony.members.length > 1 && (
                  <Button label="Pedigree" onPress={() => router.push(`/field/colony/pedigree?guide=${guideId}`)} />
                )}
                <Button kind="main" label="Write one down" onPress={() => router.push(`/field/colony/new?guide=${guideId}`)} />
              </Row>
            }
          >
            <PageHeading>The keeper’s book</PageHeading>
            <Text
              quiet
            >{`${own.title}. What each carries is worked out from all records together, and changes with each of them.`}</Text>
            {choose}
            <Notice kind="caution" title="Take care">
              {own.caution}
            </Notice>
            <Misfits colony={colony} guide={own} guideId={guideId} />
            <Reminders guide={own} guideId={guideId} colony={colony} />
            {colony.members.length === 0 && (
              <Empty title="Nobody is in it yet">Write down the founders first, then their young with their parents.</Empty>
            )}
            <PairingsCard guide={own} guideId={guideId} colony={colony} />
            <PensCard guide={own} guideId={guideId} colony={colony} />
            {here.length > 0 && (
              <Card title="Here" aside={String(here.length)}>
                {[...here]
                  .reverse()
                  .slice(0, all ? undefined : FIRST)
                  .map((one) => (
                    <MemberRow key={one.id} member={one} colony={colony} guide={own} />
                  ))}
                {!all && here.length > FIRST && <Button small label={`Show all ${here.length}`} onPress={() => setAll(true)} />}
              </Card>
            )}
            <EggCard guide={own} guideId={guideId} members={colony.members} />
            {away.length > 0 && (
              <Disclosure title={`Gone and dead (${away.length})`}>
                {[...away].reverse().map((one) => (
                  <MemberRow key={one.id} member={one} colony={colony} guide={own} />
                ))}
              </Disclosure>
            )}
            <FilesCard guide={own} guideId={guideId} />
          </Screen>
        );
      }}
    </AsyncScreen>
  );
}

function MemberRow({ member, colony, guide }: { member: ColonyMember; colony: Colony; guide: Guide }) {
  const told = colony.posterior?.individuals.find(({ id }) => id === member.name);
  const f = colony.inbreeding[member.name];
  return (
    <LinkBox href={`/field/colony/${member.id}`} gap="m" align="center" padY="s" ruled="above" across oneLine>
      <MemberPlate guide={guide} member={member} sexP={told?.sexP} width={64} />
      <Stack gap="hair" fill>
        <Text strong color={colour.kelp}>
          {member.name}
        </Text>
        <Text size="small">{[saySex(member, told?.sexP), sayShown(guide, member)].filter(Boolean).join(', ')}</Text>
        <Text size="small" quiet>
          {[sayPlace(member), f > 0 && `inbred ${f.toFixed(3)}`].filter(Boolean).join(' · ')}
        </Text>
        {told && <Text size="small">{sayCarried(guide, told.genotypes)}</Text>}
      </Stack>
    </LinkBox>
  );
}
