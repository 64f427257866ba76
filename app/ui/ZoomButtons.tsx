import { StyleSheet, View } from 'react-native';
import { space } from '../theme';
import { Button } from './Button';

/** So much nearer or farther by one press. */
const STEP = 1.6;

/** Nearer, farther, and all of it: in the corner of a photo or a map. */
export function ZoomButtons({ what, nearer, all }: { what: string; nearer: (factor: number) => void; all: () => void }) {
  return (
    <View style={styles.zoom}>
      <Button small label="−" hint="Farther" onPress={() => nearer(1 / STEP)} />
      <Button small label="+" hint="Nearer" onPress={() => nearer(STEP)} />
      <Button small label="All" hint={`All of the ${what}`} onPress={all} />
    </View>
  );
}

const styles = StyleSheet.create({
  zoom: { position: 'absolute', right: space.s, bottom: space.s, flexDirection: 'row', gap: space.xs },
});
