import { StyleSheet, View } from 'react-native';
import { Row } from '../../ui/Row';
import { TextField } from '../../ui/TextField';

interface ParentsFieldProps {
  mother: string;
  father: string;
  brood: string;
  onChange: (part: { mother?: string; father?: string; brood?: string }) => void;
  says: (field: string) => string | undefined;
}

/** Rings of those that raise it, and which brood it is of, where that is known. */
export function ParentsField({ mother, father, brood, onChange, says }: ParentsFieldProps) {
  const ring = { autoCapitalize: 'characters', autoCorrect: false, maxLength: 16 } as const;
  return (
    <Row>
      <View style={styles.one}>
        <TextField
          label="Ring of its mother"
          value={mother}
          onChangeText={(text) => onChange({ mother: text })}
          problem={says('mother')}
          {...ring}
        />
      </View>
      <View style={styles.one}>
        <TextField
          label="Ring of its father"
          value={father}
          onChangeText={(text) => onChange({ father: text })}
          problem={says('father')}
          {...ring}
        />
      </View>
      <View style={styles.one}>
        <TextField
          label="Brood"
          value={brood}
          onChangeText={(text) => onChange({ brood: text })}
          maxLength={60}
          placeholder="box 12, first"
        />
      </View>
    </Row>
  );
}

const styles = StyleSheet.create({
  one: { flexGrow: 1, flexBasis: 180, minWidth: 0 },
});
