import type { StringWrite } from '@plesion/contract';
import { numberIn, readBack, ringIn, ringOf } from '@plesion/core/fieldwork';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { sayDate, today } from '../../lib/dates';
import { useKeptForm } from '../../lib/useKeptForm';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { Form, FormEnd } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Text } from '../../ui/Text';
import { stringDrafts } from '../records/fieldDrafts';
import { useSession } from '../session/useSession';
import { StringRows } from './StringRows';
import { type Field, type LoadedString, useField } from './useField';

/** Strings of rings: loaded, used, destroyed or lost. */
export function StringsScreen() {
  const { field, error, refetch } = useField();
  return (
    <AsyncScreen what="The rings" value={field} error={error} retry={refetch}>
      {(now) => (
        <Screen widest={720}>
          <PageHeading>Strings of rings</PageHeading>
          {now.strings.map((one) => (
            <Card
              key={one.string.id}
              title={`${readBack(ringIn(one.string, one.string.first))} to ${readBack(ringIn(one.string, one.string.last))}`}
            >
              <StringRows strings={[one]} />
              <Text size="small" quiet>{`Loaded ${sayDate(one.string.loadedOn)} by ${one.string.ringer}`}</Text>
              <Disclosure title="A ring was destroyed or lost">
                <Unused one={one} />
              </Disclosure>
              <TakeOver one={one} />
            </Card>
          ))}
          <LoadString field={now} />
        </Screen>
      )}
    </AsyncScreen>
  );
}

/** As it is typed; kept over a reload. */
const Gone = z.object({ ring: z.string(), what: z.enum(['destroyed', 'lost']) });
type Gone = z.infer<typeof Gone>;

function Unused({ one: { string, standing } }: { one: LoadedString }) {
  const station = useSession().station.id;
  const form = useKeptForm({
    name: `ring.${string.id}`,
    typed: Gone,
    first: (): Gone => ({ ring: standing.next ?? '', what: 'destroyed' }),
    check({ ring }) {
      const mark = ringOf(ring);
      const number = mark ? numberIn(string, mark) : undefined;
      if (number === undefined) return { ring: 'Write a ring of this string, such as the next one.' };
      if (string.ringed.includes(mark!)) return { ring: 'That ring was put on.' };
      return { ring: string.unused.some((gone) => gone.number === number) && 'That ring is told of already.' };
    },
    send({ ring, what }) {
      const number = numberIn(string, ringOf(ring)!)!;
      stringDrafts
        .draftOf(station, string.id, string)
        ?.change((now) => ({ ...now, unused: [...now.unused, { number, what, on: today() }] }));
    },
    onSent({ what }) {
      form.begin({ ring: '', what });
    },
  });
  return (
    <Form submit={form.submit}>
      <FormTextField control={form.control} name="ring" label="Ring" autoCapitalize="characters" maxLength={20} />
      <ChoiceGroup
        label="What became of it"
        options={[
          { id: 'destroyed', label: 'destroyed' },
          { id: 'lost', label: 'lost' },
        ]}
        chosen={[form.typed.what]}
        onChange={([what]) => form.change({ what })}
      />
      <FormEnd form={form} plain label="Save" />
    </Form>
  );
}

/** The pliers go to somebody else, or the string is put away. */
function TakeOver({ one: { string } }: { one: LoadedString }) {
  const session = useSession();
  const draft = () => stringDrafts.draftOf(session.station.id, string.id, string);
  return (
    <Row justify="end">
      {string.ringer !== session.account.name && (
        <Button
          small
          kind="quiet"
          label="Take it over"
          hint={`Take it over from ${string.ringer}`}
          onPress={() =>
            draft()?.change((now) => ({
              ...now,
              ringer: session.account.name,
              note: [now.note, `${today()}: from ${now.ringer} to ${session.account.name}`].filter(Boolean).join('\n'),
            }))
          }
        />
      )}
      <Button small kind="quiet" label="Remove" onPress={() => draft()?.change((now) => ({ ...now, hidden: true }))} />
    </Row>
  );
}

/** As it is typed; kept over a reload. */
const Typed = z.object({ first: z.string(), last: z.string(), size: z.string() });

function LoadString({ field }: { field: Field }) {
  const session = useSession();
  const form = useKeptForm({
    name: 'string',
    typed: Typed,
    first: () => ({ first: '', last: '', size: '' }),
    check(typed) {
      const made = stringOf(typed, session.account.name, field);
      return 'at' in made ? { [made.at]: made.says } : {};
    },
    send(typed) {
      const made = stringOf(typed, session.account.name, field);
      if ('string' in made) stringDrafts.startDraft(session.station.id, mintId(), made.string);
    },
    onSent() {
      form.begin();
    },
  });
  const { control } = form;
  return (
    <Card title="Load a string">
      <Form submit={form.submit}>
        <FormTextField
          control={control}
          name="first"
          label="First ring"
          placeholder="H 05001"
          autoCapitalize="characters"
          maxLength={20}
        />
        <FormTextField
          control={control}
          name="last"
          label="Last ring"
          placeholder="H 05100"
          autoCapitalize="characters"
          maxLength={20}
        />
        <FormTextField control={control} name="size" label="Size" placeholder="C" autoCapitalize="characters" maxLength={12} />
        <FormEnd form={form} label="Load it" />
      </Form>
    </Card>
  );
}

type Wrong = { at: keyof z.infer<typeof Typed>; says: string };

/** The string that was typed, or what is wrong with it. */
export function stringOf(
  { first, last, size }: z.infer<typeof Typed>,
  ringer: string,
  { strings }: Pick<Field, 'strings'>,
): Wrong | { string: StringWrite } {
  const [from, to] = [ringOf(first), ringOf(last)];
  if (!from) return { at: 'first', says: 'Write the first ring, such as H 05001.' };
  if (!to) return { at: 'last', says: 'Write the last ring, such as H 05100.' };
  const split = (mark: string) => (mark.includes(' ') ? mark.split(' ') : ['', mark]) as [string, string];
  const [[letters, a], [otherLetters, b]] = [split(from), split(to)];
  if (letters !== otherLetters || a.length !== b.length)
    return { at: 'last', says: 'Both have the same letters and as many digits.' };
  if (Number(b) < Number(a)) return { at: 'last', says: 'The last number is smaller than the first.' };
  if (Number(b) - Number(a) >= 10_000) return { at: 'last', says: 'A string holds 10,000 rings at most.' };
  if (!size.trim()) return { at: 'size', says: 'Say their size.' };
  const overlaps = strings.find(
    ({ string }) =>
      string.letters === letters && string.digits === a.length && string.first <= Number(b) && string.last >= Number(a),
  );
  if (overlaps)
    return {
      at: 'first',
      says: `These numbers are loaded already (${readBack(ringIn(overlaps.string, overlaps.string.first))} on).`,
    };
  return {
    string: {
      version: 0,
      hidden: false,
      letters,
      digits: a.length,
      first: Number(a),
      last: Number(b),
      size: size.trim().toUpperCase(),
      ringer,
      loadedOn: today(),
      unused: [],
    },
  };
}
