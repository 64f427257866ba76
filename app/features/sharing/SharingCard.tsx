import { isAtLeast } from '@plesion/contract/roles';
import type { GuideSharing } from '@plesion/contract/sharing';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { z } from 'zod';
import { sayDate } from '../../lib/dates';
import { useKeptState } from '../../lib/useKeptState';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { useSession } from '../session/useSession';
import { sharingApi } from './sharingApi';
import { SHARING, useSharing } from './useSharing';
import { useTakeOffer } from './useTakeOffer';

/** A guide among the stations: offered, withdrawn, imported; and what may be done about it. */
export function SharingCard({ guideId }: { guideId: string }) {
  const sharing = useSharing(guideId);
  const { role } = useSession().account;
  const may = isAtLeast(role, 'reviewer');
  if (!sharing || (!may && !sharing.taken && !sharing.offered)) return null;
  return (
    <Card title="Other stations">
      {sharing.taken ? <Taken guideId={guideId} taken={sharing.taken} may={role !== 'learner'} /> : null}
      {!sharing.taken && <Offered guideId={guideId} sharing={sharing} may={may} />}
      {may && <Withdrawal guideId={guideId} withdrawn={sharing.withdrawn !== undefined} />}
    </Card>
  );
}

function Taken({ guideId, taken, may }: { guideId: string; taken: NonNullable<GuideSharing['taken']>; may: boolean }) {
  const take = useTakeOffer();
  const { from, version, newer, station } = taken;
  return (
    <>
      <Text>{`Imported from “${from}”, at its version ${version}. What is changed here is a guide of our own that goes on from it.`}</Text>
      {take.error && <Failed error={take.error} />}
      {newer !== undefined && (
        <Row gap="m" align="center">
          <Text
            fill={260}
          >{`“${from}” offers version ${newer} by now. Names given here keep the version they were given with.`}</Text>
          {may && (
            <Button
              kind="main"
              label={`Import version ${newer}`}
              busy={take.isPending}
              onPress={() => take.mutate({ id: guideId, station })}
            />
          )}
        </Row>
      )}
    </>
  );
}

function useChange(guideId: string) {
  const client = useQueryClient();
  return {
    async onSuccess(next: GuideSharing) {
      client.setQueryData<{ guides: GuideSharing[] }>(SHARING, (all) => ({
        guides: [...(all?.guides ?? []).filter((one) => one.guideId !== guideId), next],
      }));
      await client.invalidateQueries({ queryKey: ['offers'] });
    },
  };
}

function Offered({ guideId, sharing: { offered, withdrawn }, may }: { guideId: string; sharing: GuideSharing; may: boolean }) {
  const offer = useMutation({
    mutationFn: (on: boolean) => sharingApi('offerGuide', { params: { id: guideId }, body: { offered: on } }),
    ...useChange(guideId),
  });
  if (withdrawn) return null;
  return (
    <>
      {offer.error && <Failed error={offer.error} />}
      <Row gap="m" align="center">
        <Text fill={260}>
          {offered
            ? `Offered to every station of this server since ${sayDate(offered.at.slice(0, 10))}, by ${offered.by}. Those who took it in are told of each newer version.`
            : 'Seen by this station alone. Offered, every other station of this server may import it, with its photographs and the names of its sources.'}
        </Text>
        {may && (
          <Button
            label={offered ? 'Offer it no longer' : 'Offer to other stations'}
            busy={offer.isPending}
            onPress={() => offer.mutate(!offered)}
          />
        )}
      </Row>
    </>
  );
}

/** Why, as it is written; kept over a reload. */
const Typed = z.object({ why: z.string().optional() });

function Withdrawal({ guideId, withdrawn }: { guideId: string; withdrawn: boolean }) {
  const [{ why }, put, forget] = useKeptState(`withdraw.${guideId}`, Typed, {});
  const change = useMutation({
    mutationFn: (reason: string | null) => sharingApi('withdrawGuide', { params: { id: guideId }, body: { why: reason } }),
    ...useChange(guideId),
  });
  const leave = () => {
    put({ why: undefined });
    forget();
  };
  const done = (reason: string | null) => change.mutate(reason, { onSuccess: leave });
  return (
    <>
      {change.error && <Failed error={change.error} />}
      {why !== undefined && (
        <TextField
          label="Why it is not to be used any more"
          value={why}
          multiline
          maxLength={500}
          autoFocus
          onChangeText={(text) => put({ why: text })}
        />
      )}
      <Row gap="m" align="center">
        {withdrawn ? (
          <Button small label="Restore it" busy={change.isPending} onPress={() => done(null)} />
        ) : why === undefined ? (
          <Button small kind="quiet" label="Withdraw this guide" onPress={() => put({ why: '' })} />
        ) : (
          <>
            <Button
              small
              label="Withdraw it"
              hint="Withdraw it, here and wherever it was imported"
              disabled={why.trim() === ''}
              busy={change.isPending}
              onPress={() => done(why)}
            />
            <Button small kind="quiet" label="Cancel" onPress={leave} />
          </>
        )}
      </Row>
    </>
  );
}
