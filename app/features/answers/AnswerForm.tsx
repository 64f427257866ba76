import type { Guide } from '@plesion/core/guide';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { answersApi, answersOf } from './answersApi';

interface AnswerFormProps {
  guideId: string;
  guide: Guide;
  first: { called?: string; truth?: string; text?: string; id?: string };
  onClose: () => void;
}

/** As it is filled in; kept over a reload. */
const Typed = z.object({ id: z.string(), called: z.string().optional(), truth: z.string().optional(), text: z.string() });

/** Which is taken for which, and what the station answers. */
export function AnswerForm({ guideId, guide, first, onClose }: AnswerFormProps) {
  const client = useQueryClient();
  const start = { id: first.id ?? mintId(), called: first.called, truth: first.truth, text: first.text ?? '' };
  const place = `answer.${guideId}.${first.called ?? ''}.${first.truth ?? ''}`;
  const [{ id, called, truth, text }, change, forget] = useKeptState(place, Typed, start);
  const send = useMutation({
    mutationFn: () => answersApi('writeStockAnswer', { params: { id }, body: { guideId, called: called!, truth: truth!, text } }),
    onSuccess: async () => {
      forget();
      await client.invalidateQueries({ queryKey: answersOf(guideId) });
      onClose();
    },
  });
  const items = guide.taxa.map(({ id: taxon, name, vernacular }) => ({
    id: taxon,
    label: vernacular ? `${vernacular} (${name})` : name,
  }));
  const label = (taxon: string) => items.find((one) => one.id === taxon)?.label ?? taxon;
  const whole = called !== undefined && truth !== undefined && text.trim() !== '';
  return (
    <Stack gap="m">
      {first.called && first.truth ? (
        <Text strong>{`Taken for ${label(first.called)}, is ${label(first.truth)}`}</Text>
      ) : (
        <>
          <Picker label="It is taken for" items={items} chosen={called} onChange={(taxon) => change({ called: taxon })} />
          <Picker label="It is" items={items} chosen={truth} onChange={(taxon) => change({ truth: taxon })} />
        </>
      )}
      <TextField
        label="What the station answers"
        hint="It stands first on the page, before what tells the two apart."
        value={text}
        onChangeText={(words) => change({ text: words })}
        maxLength={1000}
        multiline
      />
      {send.error && <Notice kind="problem">{send.error.message}</Notice>}
      <Row>
        <Button
          kind="main"
          label="Save"
          hint="Save: the answer"
          disabled={!whole}
          busy={send.isPending}
          onPress={() => send.mutate()}
        />
        <Button kind="quiet" label="Not now" onPress={onClose} />
      </Row>
    </Stack>
  );
}
