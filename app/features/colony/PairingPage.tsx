import type { Colony } from '@plesion/contract/colony';
import type { Pairing } from '@plesion/contract/pairings';
import type { Clutch } from '@plesion/core/colony/schema';
import type { Guide } from '@plesion/core/guide';
import { sayDate, today } from '../../lib/dates';
import { omit } from '../../lib/omit';
import { useParams } from '../../lib/useParams';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { Text } from '../../ui/Text';
import { ClutchCard, NewClutch } from './ClutchCard';
import { pairingDrafts, sendRecord } from '../records/bookDrafts';
import { useSession } from '../session/useSession';
import { Unsettled } from './Unsettled';
import { useBook } from './useBook';
import { useColonyWrite } from './useColonyWrite';
import { sayPair } from './words';

/** Who was put together, and what came of it. */
export function PairingPage() {
  const { id, guide: guideId } = useParams<{ id: string; guide: string }>();
  const { book, error, retry } = useBook(guideId);
  return (
    <AsyncScreen what="The pairing" value={book} error={error} retry={retry}>
      {({ guide, colony }) => {
        const pairing = colony.pairings.find((one) => one.id === id);
        return pairing ? (
          <Together {...{ guide, colony, pairing }} />
        ) : (
          <Screen widest={860}>
            <PageHeading>Pairing</PageHeading>
            <Empty title="Not in the book">It was taken out, or is of another book.</Empty>
          </Screen>
        );
      }}
    </AsyncScreen>
  );
}

function Together({ guide, colony, pairing }: { guide: Guide; colony: Colony; pairing: Pairing }) {
  const { guideId, fathers, mothers, pen, from, until, override, note, clutches } = pairing;
  const station = useSession().station.id;
  const send = (change: Partial<Pairing>) => {
    const own = omit(pairing, 'id', 'recordedBy', 'createdAt', 'updatedAt');
    return sendRecord(pairingDrafts, station, pairing.id, { ...own, ...change });
  };
  const { write, busy, problem } = useColonyWrite(guideId, send);
  const withClutch = (changed: Clutch) => clutches.map((one) => (one.id === changed.id ? changed : one));
  const byId = new Map(colony.members.map((one) => [one.id, one]));
  const incubation = guide.heredity?.incubation;
  return (
    <Screen widest={860}>
      <PageHeading>{sayPair(pairing, colony.members)}</PageHeading>
      <Unsettled drafts={pairingDrafts} id={pairing.id} what="pairing" />
      <Card>
        {(
          [
            ['father', fathers],
            ['mother', mothers],
          ] as const
        ).flatMap(([role, ids]) =>
          ids.map((id) => (
            <LinkBox key={role + id} href={`/field/colony/${id}`} justify="center" shrink self="start">
              <Text
                color={colour.kelp}
              >{`${ids.length > 1 ? `perhaps the ${role}` : role}: ${byId.get(id)?.name ?? 'not in the book'}`}</Text>
            </LinkBox>
          )),
        )}
        <Text quiet>
          {[pen, `from ${sayDate(from)}`, until ? `until ${sayDate(until)}` : 'together now'].filter(Boolean).join(' · ')}
        </Text>
        {override && <Text>{`Of strains that are kept apart, because: ${override}`}</Text>}
        {note && <Text>{note}</Text>}
        {problem && <Notice kind="problem">{problem}</Notice>}
        <Row>
          {until ? (
            <Button small label="Still together" busy={busy} onPress={() => write({ until: undefined })} />
          ) : (
            <Button small label="Taken apart today" busy={busy} onPress={() => write({ until: today() })} />
          )}
        </Row>
      </Card>
      {clutches.length === 0 && <Empty title="No clutch yet">Write down each laying, with how many eggs there are.</Empty>}
      {[...clutches].reverse().map((clutch) => (
        <ClutchCard
          key={clutch.id}
          {...{ guide, pairing, clutch, incubation, busy }}
          members={colony.members}
          onHatched={(next) => send({ clutches: withClutch(next) })}
          onChange={(next) => write({ clutches: withClutch(next) })}
          onRemove={() => write({ clutches: clutches.filter(({ id }) => id !== clutch.id) })}
        />
      ))}
      <NewClutch key={clutches.length} pairing={pairing} onAdd={(clutch) => send({ clutches: [...clutches, clutch] })} />
    </Screen>
  );
}
