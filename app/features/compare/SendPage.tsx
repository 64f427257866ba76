import { StyleSheet, View } from 'react-native';
import { colour, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Glyph } from '../../ui/Glyph';
import { Words } from '../../ui/Words';

/** A page for the person who asked. */
export function SendPage({ url }: { url: (as: 'pdf' | 'png') => string }) {
  return (
    <View style={styles.send}>
      <Words size="small" quiet style={styles.grow}>
        A page to send, with the marks pointed at.
      </Words>
      {(['pdf', 'png'] as const).map((as) => (
        <Button
          key={as}
          label={as.toUpperCase()}
          hint={`Download the page as ${as.toUpperCase()}`}
          icon={<Glyph name="download" size={18} color={colour.kelp} />}
          onPress={() => window.location.assign(url(as))}
        />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  send: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  grow: { flex: 1 },
});
