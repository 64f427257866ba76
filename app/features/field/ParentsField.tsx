import { Box } from '../../ui/Box';
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
      <Box fill={180}>
        <TextField
          label="Ring of its mother"
          value={mother}
          onChangeText={(text) => onChange({ mother: text })}
          problem={says('mother')}
          {...ring}
        />
      </Box>
      <Box fill={180}>
        <TextField
          label="Ring of its father"
          value={father}
          onChangeText={(text) => onChange({ father: text })}
          problem={says('father')}
          {...ring}
        />
      </Box>
      <Box fill={180}>
        <TextField
          label="Brood"
          value={brood}
          onChangeText={(text) => onChange({ brood: text })}
          maxLength={60}
          placeholder="box 12, first"
        />
      </Box>
    </Row>
  );
}
