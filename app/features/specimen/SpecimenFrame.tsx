import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import type { Guide } from '@plesion/core/guide';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { LinkBox } from '../../ui/LinkBox';
import { Screen } from '../../ui/Screen';
import { TaxonName } from '../../ui/TaxonName';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import type { Draft, DraftState } from '../records/draft';
import { SavingTrouble } from '../records/SavingTrouble';
import { saySituation } from '../records/situationText';
import { RemovedNotice } from './RemovedNotice';

interface Props {
  id: string;
  draft: Draft;
  state: DraftState;
  guide?: Guide;
  /** What stands above everything, such as a danger. */
  above?: ReactNode;
  /** What is said under the name. */
  facts: readonly (string | undefined | false)[];
  /** The way on that is not giving a name. */
  beside: ReactNode;
  /** What giving the first name is called. */
  nameIt: string;
  children: ReactNode;
}

/** What the page of every specimen has, with a guide and without: its name, its situation, naming it, and removing it. */
export function SpecimenFrame({ id, draft, state, guide, above, facts, beside, nameIt, children }: Props) {
  const router = useRouter();
  const { content } = state;
  const last = content.determinations.at(-1);
  const hide = (hidden: boolean) => draft.change((now) => ({ ...now, hidden }));
  return (
    <Screen
      foot={
        <Row gap="m" justify="end">
          {beside}
          <Button kind="main" label={last ? 'Name it again' : nameIt} onPress={() => router.push(`/specimens/${id}/name`)} />
        </Row>
      }
    >
      {above}
      <SavingTrouble draft={draft} state={state} />
      {content.hidden && <RemovedNotice onPutBack={() => hide(false)} />}
      <Stack gap="xs">
        {last ? (
          <PageHeading title={content.label || 'Specimen'}>
            <TaxonName guide={guide} {...last} size={30} />
          </PageHeading>
        ) : (
          <PageHeading title={content.label || 'Specimen'}>Not yet named</PageHeading>
        )}
        <Text quiet>{[...facts, content.label].filter(Boolean).join(' · ')}</Text>
        <Text quiet>{saySituation(content.situation, guide) || 'no place or date'}</Text>
        {content.situation.note && <Text>{content.situation.note}</Text>}
      </Stack>
      {children}
      {content.version > 0 && (
        <LinkBox href={`/audit?record=${id}`} justify="center">
          <Text color={colour.kelp}>Who did what to it, and as it was before</Text>
        </LinkBox>
      )}
      {!content.hidden && <Button kind="quiet" label="Remove from the daybook" onPress={() => hide(true)} />}
    </Screen>
  );
}
