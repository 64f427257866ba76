import { nameOfDevice } from '@plesion/contract/device';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../../lib/api';
import { sayDate } from '../../lib/dates';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { SESSIONS } from './queries';

/** Where one is signed in; what is not one's own any more is ended. */
export function SessionList() {
  const client = useQueryClient();
  const { data, error, refetch } = useQuery({ queryKey: SESSIONS, queryFn: ({ signal }) => api('sessions', {}, signal) });
  const end = useMutation({
    mutationFn: (id: string) => api('endSession', { params: { id } }),
    onSettled: () => client.invalidateQueries({ queryKey: SESSIONS }),
  });
  return (
    <Card title="Signed in">
      {error && <Failed error={error} retry={() => void refetch()} />}
      {!data && !error && <Loading what="Where you are signed in" />}
      {data?.sessions.map(({ id, current, device, since }) => (
        <Row key={id} gap="m" align="center">
          <Box fill least={160}>
            <Text strong={current}>{current ? `${nameOfDevice(device)}, here` : nameOfDevice(device)}</Text>
            {since && (
              <Text size="small" quiet>
                {`since ${sayDate(since, 'minute')}`}
              </Text>
            )}
          </Box>
          {!current && (
            <Button
              small
              label="Sign out there"
              hint={`Sign out: ${nameOfDevice(device)}`}
              busy={end.isPending && end.variables === id}
              onPress={() => end.mutate(id)}
            />
          )}
        </Row>
      ))}
      {end.error && <Notice kind="problem">{end.error.message}</Notice>}
    </Card>
  );
}
