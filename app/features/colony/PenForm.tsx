import type { Pen } from '@plesion/contract/pens';
import { keyOfPen } from '@plesion/core/colony';
import type { Guide } from '@plesion/core/guide';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { numberOf } from '../../lib/numberOf';
import type { Wrongs } from '../../lib/useKeptForm';
import { Button } from '../../ui/Button';
import { Form, FormEnd } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Notice } from '../../ui/Notice';
import { penDrafts, sendRecord } from '../records/bookDrafts';
import { useSession } from '../session/useSession';
import { KnownField } from './KnownField';
import { useColonyForm, useColonyWrite } from './useColonyWrite';
import { strainsIn, wrongDay } from './words';

/** As it is typed; kept over a reload. */
const Typed = z.object({
  id: z.string(),
  name: z.string(),
  place: z.string(),
  holds: z.string(),
  strain: z.string(),
  until: z.string(),
  note: z.string(),
});
type Typed = z.output<typeof Typed>;

interface Props {
  guide: Guide;
  guideId: string;
  /** What is changed; a new one where absent. */
  pen?: Pen;
  /** All pens of the book: no two have one name. */
  pens: readonly Pen[];
  /** Nobody is in it, so that it can be struck out. */
  isEmpty?: boolean;
  /** What a new one is called by those that are in it. */
  name?: string;
  onDone: () => void;
}

/** Write a pen down, or change what is written of it. */
export function PenForm({ guide, guideId, pens, pen, isEmpty, name = '', onDone }: Props) {
  const station = useSession().station.id;
  const write = (typed: Typed, hidden: boolean) =>
    sendRecord(penDrafts, station, typed.id, { version: pen?.version ?? 0, hidden, ...penOf(typed, guideId, pen) });
  const form = useColonyForm(guideId, {
    name: `pen.${pen?.id ?? `${guideId}.${name}`}`,
    typed: Typed,
    first: () => typedOf(pen, name),
    check: (typed) => problemsOf(typed, pens),
    send: (typed) => write(typed, false),
    onSent: onDone,
  });
  const remove = useColonyWrite(guideId, async () => {
    const sent = await write(form.typed, true);
    form.forget();
    onDone();
    return sent;
  });
  const { control } = form;
  return (
    <Form submit={form.submit}>
      <FormTextField
        control={control}
        name="name"
        label="What it is called"
        hint={pen ? 'Whoever is in it goes with its new name.' : undefined}
      />
      <FormTextField control={control} name="place" label="Where it stands" />
      <FormTextField control={control} name="holds" label="How many it takes" inputMode="numeric" />
      <KnownField control={control} name="strain" label="Kept for the strain" known={strainsIn(guide)} />
      {pen && (
        <FormTextField
          control={control}
          name="until"
          label="No longer used since"
          hint="As YYYY-MM-DD; leave it out while it is used."
        />
      )}
      <FormTextField control={control} name="note" label="Note" multiline />
      {remove.problem && <Notice kind="problem">{remove.problem}</Notice>}
      <FormEnd form={form} label="Write the pen down" leave={{ label: 'Cancel', onLeave: onDone }}>
        {pen && isEmpty && (
          <Button kind="quiet" label="Remove this pen" busy={remove.busy} onPress={() => remove.write(undefined)} />
        )}
      </FormEnd>
    </Form>
  );
}

function problemsOf({ id, name, holds, until }: Typed, pens: readonly Pen[]): Wrongs<Typed> {
  const twin = pens.find((one) => one.id !== id && keyOfPen(one.name) === keyOfPen(name));
  const many = numberOf(holds);
  return {
    name: !name.trim() ? 'Give it a name.' : twin && `There is a pen “${twin.name}” already; call this one otherwise.`,
    holds:
      holds.trim() !== '' && !(many !== undefined && Number.isInteger(many) && many > 0) && 'Write a whole number, or nothing.',
    until: until !== '' && wrongDay(until),
  };
}

function typedOf(pen: Pen | undefined, called: string): Typed {
  const { id = mintId(), name = called, place = '', holds, strain = '', until = '', note = '' } = pen ?? {};
  return { id, name, place, holds: holds === undefined ? '' : String(holds), strain, until, note };
}

/** What is typed, as it is kept. */
function penOf({ name, place, holds, strain, until, note }: Typed, guideId: string, before?: Pen) {
  const said = Object.entries({ place, strain, until, note }).flatMap(([field, text]) =>
    text.trim() ? [[field, text.trim()]] : [],
  );
  return {
    ...{ guideId, name: name.trim() },
    ...(before?.formerly ? { formerly: before.formerly } : {}),
    ...(holds.trim() ? { holds: numberOf(holds) } : {}),
    ...(Object.fromEntries(said) as { place?: string; strain?: string; until?: string; note?: string }),
  };
}
