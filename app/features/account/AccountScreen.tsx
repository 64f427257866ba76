import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { ArchiveCard } from '../station/ArchiveCard';
import { GridCard } from '../station/GridCard';
import { StationCard } from '../station/StationCard';
import { useSession, useSignOut } from '../session/useSession';
import { PasskeyCard } from '../passkeys/PasskeyCard';
import { PasswordForm } from './PasswordForm';
import { SessionList } from './SessionList';
import { StationsCard } from './StationsCard';
import { TokenSheet } from './TokenSheet';

/** Whoever is signed in: where, with which password, and what scripts may do in their name. */
export function AccountScreen() {
  const { account, station } = useSession();
  const signOut = useSignOut();
  return (
    <Screen widest={760}>
      <PageHeading>Account</PageHeading>
      <Card>
        <Row gap="m" align="center">
          <Text fill least={180}>{`${account.name}, of ${station.name}`}</Text>
          <Button label="Sign out" busy={signOut.isPending} onPress={() => signOut.mutate()} />
        </Row>
      </Card>
      <Card title="People">
        <LinkBox href="/people" justify="center">
          <Text strong color={colour.kelp}>{`Who belongs to ${station.name}`}</Text>
        </LinkBox>
      </Card>
      {!station.demo && <StationsCard />}
      <StationCard />
      <GridCard />
      <ArchiveCard />
      {station.demo ? (
        <Notice kind="note" title="Everybody’s account">
          The demo’s password stays as it is, and no script works in its name. Make a station of your own for that.
        </Notice>
      ) : (
        <>
          <PasswordForm />
          <PasskeyCard />
          <SessionList />
          <TokenSheet />
        </>
      )}
    </Screen>
  );
}
