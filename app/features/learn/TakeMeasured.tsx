import { urlOf } from '@plesion/contract';
import { useMutation, useQuery } from '@tanstack/react-query';
import { View } from 'react-native';
import { api } from '../../lib/api';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';

/** Landmarks that were set on the station's own photos, a character at a time, as a table to learn from. */
export function TakeMeasured({ onTable }: { onTable: (csv: string) => void }) {
  const { data, error, refetch } = useQuery({
    queryKey: ['measurements', 'all'],
    queryFn: ({ signal }) => api('measurements', { query: {} }, signal),
  });
  const take = useMutation({
    mutationFn: async (character: string) => {
      const answer = await fetch(urlOf('exportLandmarks', { query: { as: 'table', character } }));
      if (!answer.ok) throw new Error('The landmarks could not be fetched.');
      return answer.text();
    },
    onSuccess: onTable,
  });
  if (error) return <Failed error={error} retry={() => void refetch()} />;
  if (!data) return <Loading what="What was measured" />;
  const specimens = new Map<string, Set<string>>();
  for (const { character, specimenId } of data.measurements)
    specimens.set(character, (specimens.get(character) ?? new Set<string>()).add(specimenId));
  if (specimens.size === 0)
    return (
      <Text size="small" quiet>
        Nothing was measured on photos yet.
      </Text>
    );
  return (
    <View style={{ gap: space.s, alignItems: 'flex-start' }}>
      {[...specimens].map(([character, { size }]) => (
        <Button
          key={character}
          small
          label={`${character.replaceAll('-', ' ')}: ${size} ${size === 1 ? 'specimen' : 'specimens'}`}
          busy={take.isPending && take.variables === character}
          onPress={() => take.mutate(character)}
        />
      ))}
      {take.error && <Notice kind="problem">{take.error.message}</Notice>}
    </View>
  );
}
