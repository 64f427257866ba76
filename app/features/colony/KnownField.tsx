import { type Control, type FieldPath, type FieldValues, useController } from 'react-hook-form';
import { Button } from '../../ui/Button';
import { FormTextField } from '../../ui/FormTextField';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';

interface KnownFieldProps<T extends FieldValues> {
  control: Control<T>;
  name: FieldPath<T>;
  label: string;
  /** What the book knows already. */
  known: readonly string[];
  hint?: string;
}

/** Offered at once. */
const MOST = 8;

/** A pen, a strain: one that the book knows by a touch, another by its name. */
export function KnownField<T extends FieldValues>({ control, name, label, known, hint }: KnownFieldProps<T>) {
  const { value, onChange } = useController({ control, name }).field as { value: string; onChange: (text: string) => void };
  const typed = value.trim().toLowerCase();
  const offered = known.filter((one) => one.toLowerCase().includes(typed) && one !== value.trim()).slice(0, MOST);
  return (
    <Stack>
      <FormTextField control={control} name={name} label={label} hint={hint} autoCorrect={false} />
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
