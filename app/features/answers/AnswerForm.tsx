import type { Guide } from '@plesion/core/guide';
import { useQueryClient } from '@tanstack/react-query';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { useKeptForm } from '../../lib/useKeptForm';
import { Button } from '../../ui/Button';
import { Form, FormEnd, FormPart } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Picker } from '../../ui/Picker';
import { Text } from '../../ui/Text';
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
  const form = useKeptForm({
    name: `answer.${guideId}.${first.called ?? ''}.${first.truth ?? ''}`,
    typed: Typed,
    first: () => ({ id: first.id ?? mintId(), called: first.called, truth: first.truth, text: first.text ?? '' }),
    check: ({ called, truth, text }) => ({
      called: !called && 'Say for which it is taken.',
      truth: !truth ? 'Say which it is.' : truth === called && 'It is another than it is taken for.',
      text: !text.trim() && 'Write the answer.',
    }),
    send: ({ id, called, truth, text }) =>
      answersApi('writeStockAnswer', { params: { id }, body: { guideId, called: called!, truth: truth!, text } }),
    async onSent() {
      await client.invalidateQueries({ queryKey: answersOf(guideId) });
      onClose();
    },
  });
  const { called, truth } = form.typed;
  const items = guide.taxa.map(({ id: taxon, name, vernacular }) => ({
    id: taxon,
    label: vernacular ? `${vernacular} (${name})` : name,
  }));
  const label = (taxon: string) => items.find((one) => one.id === taxon)?.label ?? taxon;
  return (
    <Form submit={form.submit}>
      {first.called && first.truth ? (
        <Text strong>{`Taken for ${label(first.called)}, is ${label(first.truth)}`}</Text>
      ) : (
        <>
          <FormPart control={form.control} name="called">
            <Picker label="It is taken for" items={items} chosen={called} onChange={(taxon) => form.change({ called: taxon })} />
          </FormPart>
          <FormPart control={form.control} name="truth">
            <Picker label="It is" items={items} chosen={truth} onChange={(taxon) => form.change({ truth: taxon })} />
          </FormPart>
        </>
      )}
      <FormTextField
        control={form.control}
        name="text"
        label="What the station answers"
        hint="It stands first on the page, before what tells the two apart."
        maxLength={1000}
        multiline
      />
      <FormEnd form={form} label="Save" hint="Save: the answer">
        <Button kind="quiet" label="Not now" onPress={onClose} />
      </FormEnd>
    </Form>
  );
}
