import type { ColonyMember } from '@plesion/contract/colony';
import type { Kept } from '@plesion/core/colony/schema';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { today } from '../../lib/dates';
import type { Wrongs } from '../../lib/useKeptForm';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormEnd, FormPart } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Picker } from '../../ui/Picker';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { individualDrafts, sendRecord } from '../records/bookDrafts';
import { useSession } from '../session/useSession';
import { useColonyForm } from './useColonyWrite';
import { KnownField } from './KnownField';
import { WhoPicker } from './WhoPicker';
import { shownBy, strainsIn, wrongDay } from './words';

const SEXES = [
  { id: 'female', label: 'female' },
  { id: 'male', label: 'male' },
] as const;
const SURE = [
  { id: '1', label: 'surely' },
  { id: '0.95', label: 'almost surely' },
  { id: '0.8', label: 'rather' },
] as const;
const STATUS = [
  { id: 'here', label: 'here' },
  { id: 'gone', label: 'gone' },
  { id: 'dead', label: 'dead' },
] as const;
const PLAINLY = [
  { id: '1', label: 'seen plainly' },
  { id: '0.8', label: 'in doubt' },
] as const;

/** As it is typed; kept over a reload. */
const Typed = z.object({
  id: z.string(),
  label: z.string(),
  sex: z.enum(['female', 'male']).optional(),
  certainty: z.string(),
  hatched: z.string(),
  hatchedTo: z.string(),
  origin: z.string(),
  fathers: z.array(z.string()),
  mothers: z.array(z.string()),
  strain: z.string(),
  pen: z.string(),
  status: z.enum(['here', 'gone', 'dead']),
  shows: z.record(z.string(), z.string()),
  plainly: z.record(z.string(), z.string()),
  note: z.string(),
});
type Typed = z.output<typeof Typed>;

interface Props {
  guide: Guide;
  guideId: string;
  members: readonly ColonyMember[];
  /** Its pens, by name. */
  pens: readonly string[];
  /** Whoever is changed; somebody new where absent. */
  member?: ColonyMember;
  onDone: (id: string) => void;
}

/** Write somebody down, or change what is written. */
export function MemberForm({ guide, guideId, members, pens, member, onDone }: Props) {
  const station = useSession().station.id;
  const form = useColonyForm(guideId, {
    name: `colony.book.${member?.id ?? guideId}`,
    typed: Typed,
    first: () => typedOf(member),
    check: problemsOf,
    fieldOf: (path) => path.replace(/^kept\.(father|mother)s?.*/, '$1s').replace(/^kept\./, ''),
    send: ({ id, label, note, ...typed }) =>
      sendRecord(individualDrafts, station, id, {
        ...{ version: member?.version ?? 0, guideId, label: label.trim(), hidden: false, kept: keptOf(typed, member?.kept) },
        ...(note.trim() ? { note: note.trim() } : {}),
      }),
    onSent: ({ id }) => onDone(id),
  });
  const { control, typed, change } = form;
  const parents = (sex: 'female' | 'male', chosen: readonly string[]) =>
    members
      .filter(({ id, kept }) => id !== typed.id && (kept.sex?.called !== sex || chosen.includes(id)))
      .map(({ id, name }) => ({ id, label: name }));
  return (
    <Card title={member ? 'What is written' : undefined}>
      <Form submit={form.submit}>
        <FormTextField control={control} name="label" label="Mark or name" />
        <ChoiceGroup
          label="Called a"
          options={SEXES}
          chosen={typed.sex ? [typed.sex] : []}
          clearable
          onChange={([sex]) => change({ sex })}
        />
        {typed.sex && (
          <ChoiceGroup
            label="How sure of it"
            options={sureWords(typed.certainty)}
            chosen={[typed.certainty]}
            onChange={([certainty]) => change({ certainty })}
          />
        )}
        {shownBy(guide).map(({ id, label, states }) => (
          <Stack key={id} gap="m">
            <Text size="small" strong quiet>
              {`Its ${label}`}
            </Text>
            <Picker
              label={`Its ${label}`}
              items={states}
              chosen={typed.shows[id]}
              onChange={(state) => change({ shows: { ...typed.shows, [id]: state } })}
              onClear={() => change({ shows: Object.fromEntries(Object.entries(typed.shows).filter(([other]) => other !== id)) })}
            />
            {typed.shows[id] !== undefined && (
              <ChoiceGroup
                label={`How its ${label} was seen`}
                hideLabel
                options={PLAINLY}
                chosen={[(typed.plainly[id] ?? '1') as '1']}
                onChange={([one]) => change({ plainly: { ...typed.plainly, [id]: one } })}
              />
            )}
          </Stack>
        ))}
        <FormTextField
          control={control}
          name="hatched"
          label="Hatched on"
          hint="As YYYY-MM-DD; the first day on which it may have, where the day is not known."
        />
        <FormTextField
          control={control}
          name="hatchedTo"
          label="Or hatched until"
          hint="The last day on which it may have; nothing where the day is known."
        />
        {(['father', 'mother'] as const).map((role) => {
          const items = parents(role === 'father' ? 'female' : 'male', typed[`${role}s`]);
          return (
            <FormPart key={role} control={control} name={`${role}s`}>
              <WhoPicker
                label={`Its ${role}`}
                items={items}
                chosen={typed[`${role}s`]}
                onChange={(parents) => change({ [`${role}s`]: parents })}
              />
            </FormPart>
          );
        })}
        <FormTextField control={control} name="origin" label="Whence it came" />
        <KnownField control={control} name="strain" label="Strain" known={strainsIn(guide)} />
        <KnownField control={control} name="pen" label="Pen or cage" known={pens} />
        <ChoiceGroup label="It is" options={STATUS} chosen={[typed.status]} onChange={([status]) => change({ status })} />
        <FormTextField control={control} name="note" label="Note" multiline />
        <FormEnd form={form} label="Write it down" leave={member && { label: 'Cancel', onLeave: () => onDone(member.id) }} />
      </Form>
    </Card>
  );
}

const problemsOf = ({ label, hatched, hatchedTo }: Typed): Wrongs<Typed> => ({
  label: !label.trim() && 'Give it a mark or a name.',
  hatched: hatched !== '' && wrongDay(hatched),
  hatchedTo: hatchedTo !== '' && wrongDay(hatchedTo),
});

/** How sure one may be of a sex; what was written as nothing of these stands beside them. */
const sureWords = (certainty: string): { id: string; label: string }[] =>
  SURE.some(({ id }) => id === certainty)
    ? [...SURE]
    : [...SURE, { id: certainty, label: `as it is written, ${inHundred(Number(certainty))}` }];

function typedOf(member: ColonyMember | undefined): Typed {
  const {
    sex,
    hatched = '',
    hatchedTo = '',
    origin = '',
    strain = '',
    pen = '',
    status = 'here',
    phenotypes = {},
  } = member?.kept ?? {};
  const parents = (role: 'father' | 'mother') => [member?.kept[`${role}s`] ?? member?.kept[role] ?? []].flat();
  const entries = Object.entries(phenotypes);
  return {
    ...{ id: member?.id ?? mintId(), label: member?.label ?? '', note: member?.note ?? '' },
    certainty: String(sex?.certainty ?? 1),
    ...{ sex: sex?.called, hatched, hatchedTo, origin, strain, pen, status },
    ...{ fathers: parents('father'), mothers: parents('mother') },
    shows: Object.fromEntries(entries.map(([id, seen]) => [id, typeof seen === 'string' ? seen : seen.states[0]])),
    plainly: Object.fromEntries(entries.map(([id, seen]) => [id, typeof seen === 'string' ? '1' : String(seen.certainty)])),
  };
}

/** What is typed, as it is kept; what the form does not show stays as it was. */
function keptOf(typed: Omit<Typed, 'id' | 'label' | 'note'>, before?: Kept): Kept {
  const { sex, certainty, hatched, hatchedTo, origin, fathers, mothers, strain, pen, status, shows, plainly } = typed;
  const parents = (role: 'father' | 'mother', chosen: readonly string[]) =>
    chosen.length === 1 ? { [role]: chosen[0] } : chosen.length ? { [`${role}s`]: chosen } : {};
  // Where it is now is a move from where it was.
  const moved = before?.pen !== undefined && pen.trim() && pen.trim() !== before.pen;
  const { clutch, moves = [], weights, condition, separations, corrections } = before ?? {};
  return {
    ...{ clutch, weights, condition, separations, corrections },
    ...(moved ? { moves: [...moves, { on: today(), pen: pen.trim() }] } : moves.length ? { moves } : {}),
    ...(origin.trim() ? { origin: origin.trim() } : {}),
    ...(sex ? { sex: { called: sex, certainty: Number(certainty) } } : {}),
    ...(hatched ? { hatched } : {}),
    ...(hatchedTo ? { hatchedTo } : {}),
    ...parents('father', fathers),
    ...parents('mother', mothers),
    ...(strain.trim() ? { strain: strain.trim() } : {}),
    ...(pen.trim() ? { pen: pen.trim() } : {}),
    status,
    phenotypes: Object.fromEntries(
      Object.entries(shows).map(([id, state]) => [id, seenOf(state, Number(plainly[id] ?? 1), before?.phenotypes[id])]),
    ),
  };
}

/** What was seen, of what is chosen; where it was one of several states, it stays so until another one is chosen. */
function seenOf(state: string, certainty: number, before: Kept['phenotypes'][string] | undefined): Kept['phenotypes'][string] {
  const several = typeof before === 'object' && before.states[0] === state ? before.states : [state];
  return certainty === 1 && several.length === 1 ? state : { states: several, certainty };
}
