import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
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
    <Stack>
      <TextField label={label} value={value} onChangeText={onChange} hint={hint} problem={problem} autoCorrect={false} />
      {offered.length > 0 && (
        <Row role="group" aria-label={`${label}, of those in the book`}>
          {offered.map((one) => (
            <Button key={one} small label={one} hint={`${one}: ${label}`} onPress={() => onChange(one)} />
          ))}
        </Row>
      )}
    </Stack>
  );
}
