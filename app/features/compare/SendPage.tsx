import { StyleSheet, View } from 'react-native';
import { colour, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Icon } from '../../ui/Icon';
import { Text } from '../../ui/Text';

interface SendPageProps {
  url: (as: 'pdf' | 'png', paper?: 'a5') => string;
  /** Is there a small sheet of it, to print and carry? */
  small?: boolean;
}

/** A page for the person who asked. */
export function SendPage({ url, small }: SendPageProps) {
  return (
    <View style={styles.send}>
      <Text size="small" quiet style={styles.grow}>
        A page to send, with the characters pointed at.
      </Text>
      {(['pdf', 'png'] as const).map((as) => (
        <Button
          key={as}
          label={as.toUpperCase()}
          hint={`Download the page as ${as.toUpperCase()}`}
          icon={<Icon name="download" size={18} color={colour.kelp} />}
          onPress={() => window.location.assign(url(as))}
        />
      ))}
      {small && (
        <Button
          label="A5"
          hint="Download a small sheet to print, A5"
          icon={<Icon name="download" size={18} color={colour.kelp} />}
          onPress={() => window.location.assign(url('pdf', 'a5'))}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  send: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
  grow: { flexGrow: 1, flexBasis: 180 },
});
