import type { Thread } from '@plesion/contract/conversations';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { sayDate } from '../../lib/dates';
import { useKeptState } from '../../lib/useKeptState';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { useSession } from '../session/useSession';
import { conversationApi } from './conversationApi';

interface ThreadCardProps {
  thread: Thread;
  /** On its photo; absent where it is of the specimen as a whole. */
  number?: number;
  specimenId: string;
}

/** What is said of one place: the remarks, a reply, and whether it is resolved. */
export function ThreadCard({ thread: { id, remarks, resolved }, number, specimenId }: ThreadCardProps) {
  const { name, role } = useSession().account;
  const client = useQueryClient();
  const refresh = () => client.invalidateQueries({ queryKey: ['conversations'] });
  const resolve = useMutation({
    mutationFn: () => conversationApi('resolveThread', { params: { id }, body: { resolved: !resolved } }),
    onSuccess: refresh,
  });
  const withdraw = useMutation({
    mutationFn: (remark: string) => conversationApi('withdrawRemark', { params: { id: remark } }),
    onSuccess: refresh,
  });
  const [replying, setReplying] = useState(false);
  const error = resolve.error ?? withdraw.error;
  const about = number === undefined ? 'Of it as a whole' : `${number} on the photo`;
  return (
    <Stack role="group" aria-label={`${about}, ${remarks.length} said`} padY="s" ruled="above">
      <Text size="small" strong color={colour.kelp}>
        {about}
      </Text>
      {remarks.map(({ id: own, by, at, text }) => (
        <Row key={own} align="center">
          <Box fill={200}>
            {text === undefined ? <Text quiet>Withdrawn.</Text> : <Text>{text}</Text>}
            <Text size="small" quiet>
              {`${by}, ${sayDate(at, 'minute')}`}
            </Text>
          </Box>
          {by === name && text !== undefined && (
            <Button
              small
              kind="quiet"
              label="Withdraw"
              hint={`Withdraw: ${text.slice(0, 60)}`}
              busy={withdraw.isPending && withdraw.variables === own}
              onPress={() => withdraw.mutate(own)}
            />
          )}
        </Row>
      ))}
      {resolved && (
        <Text size="small" quiet>
          {`Resolved by ${resolved.by}, ${sayDate(resolved.at)}.`}
        </Text>
      )}
      {replying ? (
        <Reply id={id} specimenId={specimenId} onSent={() => setReplying(false)} />
      ) : (
        <Row>
          <Button small label="Reply" hint={`Reply to ${about}`} onPress={() => setReplying(true)} />
          {role !== 'learner' && (
            <Button
              small
              kind="quiet"
              label={resolved ? 'Not resolved' : 'Resolved'}
              hint={`${resolved ? 'Not resolved' : 'Resolved'}: ${about}`}
              busy={resolve.isPending}
              onPress={() => resolve.mutate()}
            />
          )}
        </Row>
      )}
      {error && <Notice kind="problem">{error.message}</Notice>}
    </Stack>
  );
}

const Typed = z.object({ id: z.string(), text: z.string() });

/** A reply, kept on the device until it is sent. */
function Reply({ id, specimenId, onSent }: { id: string; specimenId: string; onSent: () => void }) {
  const client = useQueryClient();
  const [{ id: own, text }, change, forget] = useKeptState(`reply.${id}`, Typed, { id: mintId(), text: '' });
  const send = useMutation({
    mutationFn: () => conversationApi('remark', { body: { id: own, specimenId, replyTo: id, text } }),
    onSuccess: async () => {
      forget();
      await client.invalidateQueries({ queryKey: ['conversations'] });
      onSent();
    },
  });
  return (
    <Stack>
      <TextField label="Your reply" value={text} onChangeText={(next) => change({ text: next })} maxLength={2000} multiline />
      {send.error && <Notice kind="problem">{send.error.message}</Notice>}
      <Row>
        <Button
          small
          kind="main"
          label="Send"
          hint="Send the reply"
          busy={send.isPending}
          disabled={!text.trim()}
          onPress={() => send.mutate()}
        />
        <Button small kind="quiet" label="Later" hint="Later: what you wrote stays on this device" onPress={onSent} />
      </Row>
    </Stack>
  );
}
