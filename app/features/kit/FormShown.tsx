import { z } from 'zod';
import { useKeptForm } from '../../lib/useKeptForm';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormEnd, FormPart } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';

const Typed = z.object({ name: z.string(), stage: z.enum(['egg', 'adult']).optional() });

/** A form: sent as it is, it says what is wrong. */
export function FormShown() {
  const form = useKeptForm({
    name: 'kit',
    typed: Typed,
    first: () => ({ name: '' }),
    check: ({ name, stage }) => ({ name: !name.trim() && 'Give it a name.', stage: !stage && 'Say which stage it is.' }),
    send: () => undefined,
    onSent() {
      form.begin();
    },
  });
  const { stage } = form.typed;
  return (
    <Card title="A form">
      <Form submit={form.submit}>
        <FormTextField control={form.control} name="name" label="Its name" />
        <FormPart control={form.control} name="stage">
          <ChoiceGroup
            label="Its stage"
            options={[
              { id: 'egg', label: 'egg' },
              { id: 'adult', label: 'adult' },
            ]}
            chosen={stage ? [stage] : []}
            onChange={([next]) => form.change({ stage: next })}
          />
        </FormPart>
        <FormEnd form={form} label="Send the form" />
      </Form>
    </Card>
  );
}
