import { Button } from '../../ui/Button';
import { Disclosure } from '../../ui/Disclosure';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';

interface Props {
  label: string;
  items: readonly { id: string; label: string }[];
  chosen: readonly string[];
  onChange: (chosen: string[]) => void;
}

/** So many are in sight without their label; more are searched, by a field that has it. */
export const MANY = 12;

/** One of a book, or several of whom it may be any. */
export function WhoPicker({ label, items, chosen, onChange }: Props) {
  const name = (id: string) => items.find((one) => one.id === id)?.label ?? id;
  const picker = (
    <Picker
      label={chosen.length ? `${label}, or else` : label}
      items={items.filter(({ id }) => !chosen.includes(id))}
      onChange={(id) => onChange([...chosen, id])}
    />
  );
  return (
    <Stack>
      {(chosen.length > 0 || items.length <= MANY) && (
        <Text size="small" strong quiet>
          {chosen.length > 1 ? `${label}: one of these` : label}
        </Text>
      )}
      {chosen.length > 0 && (
        <Row>
          {chosen.map((id) => (
            <Button
              key={id}
              small
              label={`${name(id)} ×`}
              hint={`${name(id)} × not among them`}
              onPress={() => onChange(chosen.filter((one) => one !== id))}
            />
          ))}
        </Row>
      )}
      {chosen.length ? (
        // Another one is looked for anew: whoever was typed is chosen.
        <Disclosure key={chosen.join()} title={`${label}: perhaps another`}>
          {picker}
        </Disclosure>
      ) : (
        picker
      )}
    </Stack>
  );
}
