import { createClient } from '@plesion/contract';
import { importEndpoints } from '@plesion/contract/endpoints/import';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { ChoiceChip } from '../../ui/ChoiceChip';
import { Options } from '../../ui/Options';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';

const namesApi = createClient('', undefined, importEndpoints);

/** Letters from which on names are looked for. */
const FEWEST = 2;

/** What it was, in any words; names of the station’s checklists that hold them are offered. */
export function NameField({ name, onName, problem }: { name: string; onName: (name: string) => void; problem?: string }) {
  const text = useDeferredValue(name.trim());
  const found = useQuery({
    queryKey: ['names', text],
    queryFn: ({ signal }) => namesApi('names', { query: { text } }, signal),
    enabled: text.length >= FEWEST,
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    // Without a network it is written down as it is typed.
    retry: false,
  });
  const names = text.length >= FEWEST ? (found.data?.names ?? []) : [];
  const known = names.find((one) => one.name.toLowerCase() === text.toLowerCase());
  return (
    <Stack gap="xs">
      <TextField label="What it was" value={name} onChangeText={onName} problem={problem} maxLength={120} autoCorrect={false} />
      {known && known.accepted !== known.name && (
        <Text size="small" quiet>{`A synonym of ${known.accepted}; lists count it there.`}</Text>
      )}
      {names.length > 0 && !known && (
        <Options label="Names of the checklists" gap="s" across>
          {names.map((one) => (
            <ChoiceChip
              key={one.name}
              on={false}
              label={one.vernacular ? `${one.name}, ${one.vernacular}` : one.name}
              onPress={() => onName(one.name)}
            />
          ))}
        </Options>
      )}
    </Stack>
  );
}
