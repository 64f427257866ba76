import type { ColonyMember } from '@plesion/contract/colony';
import type { Kept } from '@plesion/core/colony/schema';
import type { Guide } from '@plesion/core/guide';
import { StyleSheet, View } from 'react-native';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Picker } from '../../ui/Picker';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { individualDrafts, sendRecord } from '../records/bookDrafts';
import { useSession } from '../session/useSession';
import { useColonyWrite } from './useColonyWrite';
import { MANY } from './WhoPicker';
import { isDay, shownBy } from './words';

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
  father: z.string().optional(),
  mother: z.string().optional(),
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
  /** Whoever is changed; somebody new where absent. */
  member?: ColonyMember;
  onDone: (id: string) => void;
}

/** Write somebody down, or change what is written. */
export function MemberForm({ guide, guideId, members, member, onDone }: Props) {
  const [typed, change, forget] = useKeptState(`colony.${member?.id ?? guideId}`, Typed, typedOf(member));
  const station = useSession().station.id;
  const { write, busy, problem, setProblem, at } = useColonyWrite(
    guideId,
    (kept: Kept) =>
      sendRecord(individualDrafts, station, typed.id, {
        ...{ version: member?.version ?? 0, guideId, label: typed.label.trim(), hidden: false, kept },
        ...(typed.note.trim() ? { note: typed.note.trim() } : {}),
      }),
    () => {
      forget();
      onDone(typed.id);
    },
  );
  const named = ['label', 'kept.hatched', 'kept.father', 'kept.mother', 'kept.strain', 'kept.pen', 'note'];
  const parents = (sex: 'female' | 'male') =>
    members.filter(({ id, kept }) => id !== typed.id && kept.sex?.called !== sex).map(({ id, name }) => ({ id, label: name }));
  const submit = () => {
    setProblem(undefined);
    if (!typed.label.trim()) return setProblem({ field: 'label', message: 'Give it a mark or a name.' });
    if (typed.hatched && !isDay(typed.hatched))
      return setProblem({ field: 'kept.hatched', message: 'Write the day as YYYY-MM-DD.' });
    write(keptOf(typed, member?.kept));
  };
  return (
    <Card title={member ? 'What is written' : undefined}>
      <View style={styles.form}>
        <TextField label="Mark or name" value={typed.label} onChangeText={(label) => change({ label })} problem={at('label')} />
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
            options={SURE}
            chosen={[typed.certainty as '1']}
            onChange={([certainty]) => change({ certainty })}
          />
        )}
        {shownBy(guide).map(({ id, label, states }) => (
          <View key={id} style={styles.form}>
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
          </View>
        ))}
        <TextField
          label="Hatched on"
          value={typed.hatched}
          onChangeText={(hatched) => change({ hatched })}
          hint="As YYYY-MM-DD."
          problem={at('kept.hatched')}
        />
        {(['father', 'mother'] as const).map((role) => {
          const several = member?.kept[`${role}s`];
          const items = parents(role === 'father' ? 'female' : 'male');
          return (
            <View key={role} style={styles.form}>
              {items.length <= MANY && (
                <Text size="small" strong quiet>
                  {`Its ${role}`}
                </Text>
              )}
              {several && !typed[role] && <Text size="small">{`One of ${several.length}; choose one to settle it.`}</Text>}
              <Picker
                label={`Its ${role}`}
                items={items}
                chosen={typed[role]}
                onChange={(parent) => change({ [role]: parent })}
                onClear={() => change({ [role]: undefined })}
              />
              {at(`kept.${role}`) && <Notice kind="problem">{at(`kept.${role}`)!}</Notice>}
            </View>
          );
        })}
        <TextField
          label="Strain"
          value={typed.strain}
          onChangeText={(strain) => change({ strain })}
          problem={at('kept.strain')}
        />
        <TextField label="Pen or cage" value={typed.pen} onChangeText={(pen) => change({ pen })} problem={at('kept.pen')} />
        <ChoiceGroup label="It is" options={STATUS} chosen={[typed.status]} onChange={([status]) => change({ status })} />
        <TextField
          label="Note"
          value={typed.note}
          onChangeText={(text) => change({ note: text })}
          multiline
          problem={at('note')}
        />
        {problem && !named.some((field) => problem.field?.startsWith(field)) && <Notice kind="problem">{problem.message}</Notice>}
        <View style={styles.act}>
          {member && (
            <Button
              kind="quiet"
              label="Leave it as it is"
              onPress={() => {
                forget();
                onDone(member.id);
              }}
            />
          )}
          <Button kind="main" label="Write it down" busy={busy} onPress={submit} />
        </View>
      </View>
    </Card>
  );
}

function typedOf(member: ColonyMember | undefined): Typed {
  const { sex, hatched = '', father, mother, strain = '', pen = '', status = 'here', phenotypes = {} } = member?.kept ?? {};
  const entries = Object.entries(phenotypes);
  return {
    ...{ id: member?.id ?? mintId(), label: member?.label ?? '', note: member?.note ?? '' },
    certainty: String(sex?.certainty ?? 1),
    ...{ sex: sex?.called, hatched, father, mother, strain, pen, status },
    shows: Object.fromEntries(entries.map(([id, seen]) => [id, typeof seen === 'string' ? seen : seen.states[0]])),
    plainly: Object.fromEntries(entries.map(([id, seen]) => [id, typeof seen === 'string' ? '1' : String(seen.certainty)])),
  };
}

/** What is typed, as it is kept; what the form does not show stays as it was. */
function keptOf({ sex, certainty, hatched, father, mother, strain, pen, status, shows, plainly }: Typed, before?: Kept): Kept {
  const parents = (role: 'father' | 'mother', chosen: string | undefined) =>
    chosen ? { [role]: chosen } : before?.[`${role}s`] ? { [`${role}s`]: before[`${role}s`] } : {};
  const { hatchedTo, clutch, origin, moves, weights, condition, separations, corrections } = before ?? {};
  return {
    ...{ clutch, origin, moves, weights, condition, separations, corrections },
    ...(sex ? { sex: { called: sex, certainty: Number(certainty) } } : {}),
    ...(hatched ? { hatched, ...(hatchedTo && hatchedTo >= hatched ? { hatchedTo } : {}) } : {}),
    ...parents('father', father),
    ...parents('mother', mother),
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

const styles = StyleSheet.create({
  form: { gap: space.m },
  act: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, justifyContent: 'flex-end' },
});
