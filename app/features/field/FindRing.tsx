import { CATCH_WORDS, readBack } from '@plesion/core/fieldwork';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { sayDate } from '../../lib/dates';
import { useAddress } from '../../lib/useAddress';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { fieldApi } from '../records/fieldDrafts';
import type { Field } from './useField';

/** A ring by any part of its number. */
export function FindRing({ field }: { field: Field }) {
  const [{ ring }, setAddress] = useAddress(['ring']);
  const wanted = (ring ?? '').replace(/[·.-]/g, '').trim();
  const found = useQuery({
    queryKey: ['captures', 'ring', wanted],
    queryFn: ({ signal }) => fieldApi('captures', { query: { ring: wanted, limit: 40 } }, signal),
    enabled: wanted.length > 0,
    placeholderData: keepPreviousData,
  });
  const marks = new Map(
    [...field.waiting.map(({ id, capture }) => ({ ...capture, id })), ...(found.data?.captures ?? [])]
      .filter(({ mark }) => mark?.includes(wanted.toUpperCase()))
      .map((capture) => [capture.mark!, capture] as const)
      .reverse(),
  );
  return (
    <Card title="Find a ring">
      <TextField
        label="Any part of its number"
        value={ring ?? ''}
        onChangeText={(text) => setAddress({ ring: text })}
        placeholder="517"
        autoCapitalize="characters"
        autoCorrect={false}
        maxLength={16}
      />
      {found.error && <Failed error={found.error} />}
      {wanted !== '' &&
        [...marks.values()].slice(0, 8).map(({ mark, what, at }) => (
          <LinkBox
            key={mark}
            href={`/field/rings/${encodeURIComponent(mark!)}`}
            gap="m"
            align="center"
            justify="between"
            ruled="above"
            across
            oneLine
          >
            <Text strong figures>
              {readBack(mark!)}
            </Text>
            <Text size="small" quiet>{`${CATCH_WORDS[what]} ${sayDate(at)}`}</Text>
          </LinkBox>
        ))}
      {wanted !== '' && found.data && marks.size === 0 && (
        <Text size="small" quiet role="status">
          No ring of this station has that in its number.
        </Text>
      )}
    </Card>
  );
}
