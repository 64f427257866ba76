import { INVITATION_DAYS } from '@plesion/contract/people';
import { type Role, ROLES } from '@plesion/contract/roles';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { sayDate } from '../../lib/dates';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { CopyLink } from '../../ui/CopyLink';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { INVITATIONS, peopleApi } from './peopleApi';
import type { useInvite } from './useInvite';

/** Links by which somebody comes in: each once. */
export function InviteCard({ invite }: { invite: ReturnType<typeof useInvite> }) {
  const [role, setRole] = useState<Role>('member');
  const links = useQuery({ queryKey: INVITATIONS, queryFn: ({ signal }) => peopleApi('invitations', {}, signal) });
  const { made } = invite;
  return (
    <Card title="Invite somebody">
      <Text quiet size="small">
        {`Make a link and send it to them: whoever opens it first comes in with it. It lapses after ${INVITATION_DAYS} days.`}
      </Text>
      <ChoiceGroup
        label="They come as"
        options={ROLES.map((one) => ({ id: one, label: one }))}
        chosen={[role]}
        onChange={([next]) => setRole(next)}
      />
      <Row>
        <Button label="Make a link" busy={invite.making} onPress={() => invite.make({ role })} />
      </Row>
      {invite.problem && <Notice kind="problem">{invite.problem.message}</Notice>}
      {made && (
        <Notice
          kind="note"
          title={made.renews ? `For ${made.renews}: copy it now, it is not shown again` : 'Copy it now, it is not shown again'}
        >
          <CopyLink path={`/join/${made.token}`} />
        </Notice>
      )}
      {links.error && <Failed error={links.error} retry={() => void links.refetch()} />}
      {links.data?.invitations.map(({ id, role: as, renews, until, by }) => (
        <Row key={id} gap="m" align="center">
          <Box fill least={160}>
            <Text>{renews ? `A new password for ${renews}` : `To come as ${as}`}</Text>
            <Text size="small" quiet>{`by ${by}, good until ${sayDate(until, 'minute')}`}</Text>
          </Box>
          <Button
            small
            label="Withdraw"
            hint={renews ? `Withdraw the link for ${renews}` : `Withdraw the link for a ${as}`}
            onPress={() => invite.withdraw(id)}
          />
        </Row>
      ))}
    </Card>
  );
}
