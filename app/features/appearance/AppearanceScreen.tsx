import { useRouter } from 'expo-router';
import { type Appearance, setAppearance, useAppearance } from '../../theme/appearance';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { useSession, useSignOut } from '../session/useSession';

const LIGHT: { id: Appearance['light']; label: string }[] = [
  { id: 'day', label: 'day' },
  { id: 'lamp', label: 'lamp, for night work' },
  { id: 'device', label: 'as the device' },
];
const LETTERS: { id: Appearance['letters']; label: string }[] = [
  { id: 'usual', label: 'usual' },
  { id: 'large', label: 'large' },
  { id: 'larger', label: 'larger' },
  { id: 'twice', label: 'twice as large' },
];
const MOTION: { id: Appearance['motion']; label: string }[] = [
  { id: 'device', label: 'as the device' },
  { id: 'less', label: 'none' },
];

const SHORTCUTS: { id: Appearance['shortcuts']; label: string }[] = [
  { id: 'on', label: 'on' },
  { id: 'off', label: 'off' },
];

/** How things look on this device, and who is signed in. */
export function AppearanceScreen() {
  const appearance = useAppearance();
  const session = useSession();
  const signOut = useSignOut();
  const router = useRouter();
  return (
    <Screen>
      <PageHeading>Appearance</PageHeading>
      <Card title="On this device">
        <ChoiceGroup label="Light" options={LIGHT} chosen={[appearance.light]} onChange={([light]) => setAppearance({ light })} />
        <ChoiceGroup
          label="Letters"
          options={LETTERS}
          chosen={[appearance.letters]}
          onChange={([letters]) => setAppearance({ letters })}
        />
        <ChoiceGroup
          label="Motion"
          options={MOTION}
          chosen={[appearance.motion]}
          onChange={([motion]) => setAppearance({ motion })}
        />
        <ChoiceGroup
          label="Shortcuts of one key, such as J and 1"
          options={SHORTCUTS}
          chosen={[appearance.shortcuts]}
          onChange={([shortcuts]) => setAppearance({ shortcuts })}
        />
      </Card>
      <Card title={session.station.name}>
        <Row gap="m" align="center">
          <Text fill>{`Signed in as ${session.account.name}`}</Text>
          <Button label="Account" hint="Account: password, sessions, tokens" onPress={() => router.push('/account')} />
          <Button label="Sign out" onPress={() => signOut.mutate()} />
        </Row>
      </Card>
    </Screen>
  );
}
