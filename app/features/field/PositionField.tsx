import type { Fix } from '@plesion/core/fieldwork';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { WhereAmI } from './WhereAmI';

/** Where it was caught, as the device tells it; else it was at the site. */
export function PositionField({ fix, onFix }: { fix?: Fix; onFix: (fix: Fix | undefined) => void }) {
  return (
    <View style={styles.group}>
      <Text size="small" strong quiet>
        Position
      </Text>
      <Text size="small">{fix ? sayFix(fix) : 'At the site.'}</Text>
      <View style={styles.line}>
        <WhereAmI label={fix ? 'Take it again' : 'From this device'} onFix={onFix} />
        {fix && <Button small kind="quiet" label="At the site" onPress={() => onFix(undefined)} />}
      </View>
    </View>
  );
}

const sayFix = ({ latitude, longitude, accuracy }: Fix): string =>
  `${latitude.toFixed(5)}, ${longitude.toFixed(5)}${accuracy === undefined ? '' : `, at most ${accuracy} m off`}`;

const styles = StyleSheet.create({
  group: { gap: space.xs },
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-start', gap: space.s },
});
