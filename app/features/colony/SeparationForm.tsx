import type { ColonyMember } from '@plesion/contract/colony';
import { SEPARATED, type Separated } from '@plesion/core/heredity/schema';
import { z } from 'zod';
import { today } from '../../lib/dates';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormEnd, FormPart } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { useColonyForm } from './useColonyWrite';
import { useSendKept } from './useKept';
import { foundWords, wrongDay } from './words';

interface Props {
  guideId: string;
  member: ColonyMember;
  /** The pen that it was taken from. */
  pen: string;
  onDone: (found?: Separated) => void;
}

/** As it is typed; kept over a reload. */
const Typed = z.object({ on: z.string(), found: z.enum(SEPARATED).optional() });
type Typed = z.infer<typeof Typed>;

/** What came of keeping one alone. */
export function SeparationForm({ guideId, member, pen, onDone }: Props) {
  const sendKept = useSendKept(guideId, member);
  const form = useColonyForm(guideId, {
    name: `alone.${member.id}.${pen}`,
    typed: Typed,
    first: (): Typed => ({ on: today() }),
    check: ({ on, found }) => ({ found: !found && 'Say what came of it.', on: wrongDay(on) }),
    send: ({ on, found }) => sendKept({ separations: [...(member.kept.separations ?? []), { on, from: pen, found: found! }] }),
    onSent: ({ found }) => onDone(found),
  });
  const { found } = form.typed;
  return (
    <Form submit={form.submit} gap="s">
      <FormPart control={form.control} name="found">
        <ChoiceGroup
          label={`${member.name}, kept alone`}
          options={foundWords(pen)}
          chosen={found ? [found] : []}
          onChange={([one]: Separated[]) => form.change({ found: one })}
        />
      </FormPart>
      <FormTextField control={form.control} name="on" label="Seen on" hint="As YYYY-MM-DD." />
      <FormEnd form={form} label="Write it down" leave={{ label: 'Not now', onLeave: onDone }} />
    </Form>
  );
}
