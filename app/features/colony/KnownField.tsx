import { StyleSheet, View } from 'react-native';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/TextField';

interface Props {
  label: string;
  value: string;
  onChange: (text: string) => void;
  /** What the book knows already. */
  known: readonly string[];
  hint?: string;
  problem?: string;
}

/** Offered at once. */
const MOST = 8;

/** A pen, a strain: one that the book knows by a touch, another by its name. */
export function KnownField({ label, value, onChange, known, hint, problem }: Props) {
  const typed = value.trim().toLowerCase();
  const offered = known.filter((one) => one.toLowerCase().includes(typed) && one !== value.trim()).slice(0, MOST);
  return (
    <View style={styles.group}>
      <TextField label={label} value={value} onChangeText={onChange} hint={hint} problem={problem} autoCorrect={false} />
      {offered.length > 0 && (
        <View role="group" aria-label={`${label}, of those in the book`} style={styles.row}>
          {offered.map((one) => (
            <Button key={one} small label={one} hint={`${one}: ${label}`} onPress={() => onChange(one)} />
          ))}
        </View>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
