import { StyleSheet, View } from 'react-native';
import { space } from '../../theme';
import { type Look, setLook, useLook } from '../../theme/look';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Screen } from '../../ui/Screen';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';
import { useSession, useSignOut } from '../session/useSession';

const LIGHT: { id: Look['light']; label: string }[] = [
  { id: 'day', label: 'day' },
  { id: 'lamp', label: 'lamp, for night work' },
  { id: 'device', label: 'as the device' },
];
const LETTERS: { id: Look['letters']; label: string }[] = [
  { id: 'usual', label: 'usual' },
  { id: 'large', label: 'large' },
  { id: 'larger', label: 'larger' },
];
const MOTION: { id: Look['motion']; label: string }[] = [
  { id: 'device', label: 'as the device' },
  { id: 'less', label: 'none' },
];

/** How things look on this device, and who is signed in. */
export function LookScreen() {
  const look = useLook();
  const session = useSession();
  const signOut = useSignOut();
  return (
    <Screen>
      <Words size="display" heading={1}>
        Look
      </Words>
      <Sheet title="On this device">
        <Choice label="Light" options={LIGHT} chosen={[look.light]} onChange={([light]) => setLook({ light })} />
        <Choice label="Letters" options={LETTERS} chosen={[look.letters]} onChange={([letters]) => setLook({ letters })} />
        <Choice label="Motion" options={MOTION} chosen={[look.motion]} onChange={([motion]) => setLook({ motion })} />
      </Sheet>
      <Sheet title={session.station.name}>
        <View style={styles.line}>
          <Words style={styles.grow}>{`Signed in as ${session.account.name}`}</Words>
          <Button label="Sign out" onPress={() => signOut.mutate()} />
        </View>
      </Sheet>
    </Screen>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: space.m },
  grow: { flex: 1 },
});
