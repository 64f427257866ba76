import type { NewerView } from '@plesion/contract/authoring';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { FirstOf } from '../../ui/FirstOf';
import { Row } from '../../ui/Row';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { authoringApi } from './authoringApi';

type Newer = NewerView['newer'][number];
type Whose = 'ours' | 'theirs';

interface Props {
  id: string;
  version: number;
  newer: Newer;
  /** Takes what the server has now. */
  catchUp: () => Promise<void>;
}

/** Newer versions of the guide that a draft is of, or goes on from. */
export const useNewer = (id: string, version: number): readonly Newer[] =>
  useQuery({
    queryKey: ['draft', id, 'newer', version],
    queryFn: ({ signal }) => authoringApi('newerForDraft', { params: { id } }, signal),
  }).data?.newer ?? [];

/** What a newer version changed: taken over at a press; of what both changed one says whose is to hold. */
export function NewerCard({ id, version, newer, catchUp }: Props) {
  const { of, title, from, to, changes, conflicts } = newer;
  const [theirs, setTheirs] = useState<ReadonlySet<string>>(new Set());
  const client = useQueryClient();
  const carry = useMutation({
    mutationFn: () =>
      authoringApi('carryOver', { params: { id }, body: { version, of, to, take: [...theirs].filter((key) => keys.has(key)) } }),
    async onSuccess() {
      await catchUp();
      await client.invalidateQueries({ queryKey: ['drafts'] });
    },
  });
  const keys = new Set(conflicts.map(({ key }) => key));
  const choose = (key: string, whose: Whose) => {
    const next = new Set(theirs);
    if (whose === 'theirs') next.add(key);
    else next.delete(key);
    setTheirs(next);
  };
  return (
    <Card title={`Version ${to} of “${title}” is there`}>
      <Text>
        {`This draft goes on from version ${from}. ${sayChanges(changes)}`}
        {of === 'base' && ' It is published once that is taken over.'}
      </Text>
      {carry.error && <Failed error={carry.error} />}
      {conflicts.length > 0 && (
        <Text strong>
          {conflicts.length === 1
            ? 'One thing was changed on both sides:'
            : `${conflicts.length} things were changed on both sides:`}
        </Text>
      )}
      <FirstOf of={conflicts} keyOf={({ key }) => key} what="of them">
        {({ key, name, ours, theirs: other }) => (
          <Box padY="xs" ruled="above">
            <ChoiceGroup
              label={name}
              options={[
                { id: 'ours', label: `ours: ${ours || 'no more'}` },
                { id: 'theirs', label: `theirs: ${other || 'no more'}` },
              ]}
              chosen={[theirs.has(key) ? 'theirs' : 'ours']}
              onChange={([whose]: Whose[]) => choose(key, whose)}
            />
          </Box>
        )}
      </FirstOf>
      <Row>
        <Button
          label="Update"
          hint={`Update to version ${to} of ${title}`}
          busy={carry.isPending}
          onPress={() => carry.mutate()}
        />
      </Row>
    </Card>
  );
}

const sayChanges = (n: number): string =>
  n === 0
    ? 'What changed there touches nothing here.'
    : n === 1
      ? 'One change can be taken over.'
      : `${n} changes can be taken over.`;
