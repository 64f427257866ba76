import type { Member } from '@plesion/contract/people';
import { ROLE_WORDS, type Role, ROLES } from '@plesion/contract/roles';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { useSession, useSignOut } from '../session/useSession';
import { InviteCard } from './InviteCard';
import { MEMBERS, peopleApi } from './peopleApi';
import { useInvite } from './useInvite';

/** Who belongs to the station, as what, and how others come in. */
export function PeopleScreen() {
  const { station, account } = useSession();
  const members = useQuery({ queryKey: MEMBERS, queryFn: ({ signal }) => peopleApi('members', {}, signal) });
  const invite = useInvite();
  const keeps = account.role === 'keeper' && !station.demo;
  return (
    <AsyncScreen what="People" value={members.data} error={members.error} retry={() => void members.refetch()}>
      {({ members: all }) => (
        <Screen widest={760}>
          <PageHeading>People</PageHeading>
          <Text quiet>{`Who works at ${station.name}. What each recorded carries their name, and stays when they leave.`}</Text>
          <Card title="Who belongs to it" aside={all.length === 1 ? 'one person' : `${all.length} people`}>
            {all.map((one) => (
              <MemberLine key={one.id} member={one} keeps={keeps} onRenew={() => invite.make({ renews: one.id })} />
            ))}
          </Card>
          {station.demo && (
            <Notice kind="note" title="Everybody’s station">
              Nobody is invited to the demo: its one account is open to all. Make a station of your own for that.
            </Notice>
          )}
          {keeps && <InviteCard invite={invite} />}
          <Card title="What each may do">
            {ROLES.map((role) => (
              <Text key={role}>{`A ${role} ${ROLE_WORDS[role]}.`}</Text>
            ))}
          </Card>
          <LinkBox href="/audit">
            <Text strong color={colour.kelp}>
              Who did what
            </Text>
          </LinkBox>
        </Screen>
      )}
    </AsyncScreen>
  );
}

function MemberLine({ member, keeps, onRenew }: { member: Member; keeps: boolean; onRenew: () => void }) {
  const { id, name, initials, role, since, you } = member;
  const client = useQueryClient();
  const signOut = useSignOut();
  const [leaving, setLeaving] = useState(false);
  const again = () => client.invalidateQueries({ queryKey: MEMBERS });
  const set = useMutation({
    mutationFn: (next: Role) => peopleApi('setMember', { params: { id }, body: { role: next } }),
    onSuccess: async (now) => {
      client.setQueryData(MEMBERS, now);
      if (you) await client.invalidateQueries({ queryKey: ['session'] });
    },
  });
  const remove = useMutation({
    mutationFn: () => peopleApi('removeMember', { params: { id } }),
    onSuccess: () => (you ? signOut.mutate() : again()),
  });
  const problem = set.error ?? remove.error;
  const { demo } = useSession().station;
  return (
    <Stack padTop="s" ruled="above">
      <Row gap="m" align="center" oneLine>
        <Box align="center" justify="center" least={44} ruled="round" ruledIn="edge" touch round="m">
          <Text strong figures color={colour.kelp}>
            {initials}
          </Text>
        </Box>
        <Box fill={160}>
          <Text strong>{you ? `${name}, you` : name}</Text>
          <Text size="small" quiet>
            {`${role} since ${sayDate(since)}`}
          </Text>
        </Box>
      </Row>
      {keeps && (
        <ChoiceGroup
          label={`${name} is`}
          options={ROLES.map((one) => ({ id: one, label: one }))}
          chosen={[role]}
          onChange={([next]) => next !== role && set.mutate(next)}
        />
      )}
      {!demo && (keeps || you) && (
        <Row align="center">
          {keeps && !you && (
            <Button small kind="quiet" label="New password" hint={`A link for a new password for ${name}`} onPress={onRenew} />
          )}
          {leaving ? (
            <>
              <Text size="small" fill={160}>
                {you ? 'You will be signed out, and come back only by a new link.' : `${name} will be signed out everywhere.`}
              </Text>
              <Button
                small
                label={you ? 'Leave' : 'Remove'}
                hint={you ? 'Leave the station' : `Remove ${name} from the station`}
                busy={remove.isPending}
                onPress={() => remove.mutate()}
              />
              <Button small kind="quiet" label="Stay" hint={you ? 'Stay' : `${name} stays`} onPress={() => setLeaving(false)} />
            </>
          ) : (
            <Button
              small
              kind="quiet"
              label={you ? 'Leave …' : 'Remove …'}
              hint={you ? 'Leave the station …' : `Remove ${name} …`}
              onPress={() => setLeaving(true)}
            />
          )}
        </Row>
      )}
      {problem && <Notice kind="problem">{problem.message}</Notice>}
    </Stack>
  );
}
