import { createClient, RequestProblem } from '@plesion/contract';
import type { EarlierPath } from '@plesion/contract/earlier';
import { earlierEndpoints } from '@plesion/contract/endpoints/earlier';
import { type Difference, differencesOf } from '@plesion/core/earlier';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';

const earlierApi = createClient('', undefined, earlierEndpoints);

/** Differences shown at most; the rest is counted. */
const SHOWN = 40;

/** What a record held at a version beside what it holds now, and the way back. */
export function EarlierState({ of }: { of: EarlierPath }) {
  const client = useQueryClient();
  const params = of;
  const { data, error, refetch } = useQuery({
    queryKey: ['earlier', of.kind, of.id, of.version],
    queryFn: ({ signal }) => earlierApi('earlier', { params }, signal),
    retry: false,
  });
  const back = useMutation({
    mutationFn: (version: number) => earlierApi('putBack', { params, body: { version } }),
    // Whatever shows the record shows what it was: all of it is asked for anew.
    onSuccess: () => client.invalidateQueries(),
  });
  if (error instanceof RequestProblem && error.status === 404)
    return <Text quiet>What it held then was not kept: it was written before earlier states were.</Text>;
  if (error) return <Failed error={error} retry={() => void refetch()} />;
  if (!data) return <Loading what="What it held then" />;
  const differences = differencesOf(data.then, data.now);
  if (data.version === of.version) return <Text quiet>It stands as this left it.</Text>;
  if (differences.length === 0) return <Text quiet>It holds the same again.</Text>;
  return (
    <Stack padLeft="m" ruled="left" thick>
      {differences.slice(0, SHOWN).map((one) => (
        <Differs key={one.path.join(' ')} one={one} />
      ))}
      {differences.length > SHOWN && <Text quiet>{`and ${differences.length - SHOWN} more`}</Text>}
      {of.kind === 'specimen' && <Text quiet>The names it was given since stay: they only grow.</Text>}
      {back.error && <Notice kind="problem">{back.error.message}</Notice>}
      <Row>
        <Button
          small
          label="Restore this state"
          hint={`Restore this state: version ${of.version}, on top of version ${data.version}`}
          busy={back.isPending}
          onPress={() => back.mutate(data.version)}
        />
      </Row>
    </Stack>
  );
}

function Differs({ one: { path, then, now } }: { one: Difference }) {
  return (
    <Stack gap="hair">
      <Text size="small" quiet>
        {path.map(sayPart).join(' › ')}
      </Text>
      <Text>{`then ${sayValue(then)}; now ${sayValue(now)}`}</Text>
    </Stack>
  );
}

/** A part of a record as people say it. */
export const sayPart = (field: string): string =>
  field === 'determinations'
    ? 'names'
    : /^[a-z]+([A-Z][a-z]*)*$/.test(field)
      ? field.replace(/Id$/, '').replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)
      : field;

const sayValue = (value: string | undefined): string =>
  value === undefined ? 'nothing' : value === 'true' ? 'yes' : value === 'false' ? 'no' : `“${value.slice(0, 200)}”`;
