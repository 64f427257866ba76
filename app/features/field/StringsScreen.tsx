import type { StringWrite } from '@plesion/contract';
import { numberIn, readBack, ringIn, ringOf } from '@plesion/core/fieldwork';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { sayDate, today } from '../../lib/dates';
import { useKeptState } from '../../lib/useKeptState';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
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

function Unused({ one: { string, standing } }: { one: LoadedString }) {
  const station = useSession().station.id;
  const [typed, setTyped] = useState(standing.next ?? '');
  const [what, setWhat] = useState<'destroyed' | 'lost'>('destroyed');
  const [problem, setProblem] = useState<string>();
  const keep = () => {
    const mark = ringOf(typed);
    const number = mark ? numberIn(string, mark) : undefined;
    if (number === undefined) return setProblem('Write a ring of this string, such as the next one.');
    if (string.ringed.includes(mark!)) return setProblem('That ring was put on.');
    if (string.unused.some((gone) => gone.number === number)) return setProblem('That ring is told of already.');
    stringDrafts
      .draftOf(station, string.id, string)
      ?.change((now) => ({ ...now, unused: [...now.unused, { number, what, on: today() }] }));
    setProblem(undefined);
    setTyped('');
  };
  return (
    <Stack gap="m">
      <TextField
        label="Ring"
        value={typed}
        onChangeText={setTyped}
        problem={problem}
        autoCapitalize="characters"
        maxLength={20}
      />
      <ChoiceGroup
        label="What became of it"
        options={[
          { id: 'destroyed', label: 'destroyed' },
          { id: 'lost', label: 'lost' },
        ]}
        chosen={[what]}
        onChange={([next]) => setWhat(next)}
      />
      <Row justify="end">
        <Button small label="Save" onPress={keep} />
      </Row>
    </Stack>
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
const NOTHING = { first: '', last: '', size: '' };

function LoadString({ field }: { field: Field }) {
  const session = useSession();
  const [typed, change, forget] = useKeptState('string', Typed, NOTHING);
  const [problem, setProblem] = useState<{ at: keyof typeof NOTHING; says: string }>();
  const says = (at: keyof typeof NOTHING) => (problem?.at === at ? problem.says : undefined);
  const load = () => {
    const made = stringOf(typed, session.account.name, field);
    if ('at' in made) return setProblem(made);
    stringDrafts.startDraft(session.station.id, mintId(), made.string);
    forget();
    change(NOTHING);
    setProblem(undefined);
  };
  return (
    <Card title="Load a string">
      <TextField
        label="First ring"
        value={typed.first}
        onChangeText={(first) => change({ first })}
        problem={says('first')}
        placeholder="H 05001"
        autoCapitalize="characters"
        maxLength={20}
      />
      <TextField
        label="Last ring"
        value={typed.last}
        onChangeText={(last) => change({ last })}
        problem={says('last')}
        placeholder="H 05100"
        autoCapitalize="characters"
        maxLength={20}
      />
      <TextField
        label="Size"
        value={typed.size}
        onChangeText={(size) => change({ size })}
        problem={says('size')}
        placeholder="C"
        autoCapitalize="characters"
        maxLength={12}
      />
      <Row justify="end">
        <Button kind="main" label="Load it" onPress={load} />
      </Row>
    </Card>
  );
}

type Wrong = { at: keyof typeof NOTHING; says: string };

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
