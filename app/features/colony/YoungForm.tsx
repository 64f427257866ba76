import { RequestProblem } from '@plesion/contract';
import type { ColonyMember } from '@plesion/contract/colony';
import type { Pairing } from '@plesion/contract/pairings';
import { keptOfYoung } from '@plesion/core/colony';
import type { Clutch } from '@plesion/core/colony/schema';
import type { Guide } from '@plesion/core/guide';
import { StyleSheet, View } from 'react-native';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { colour, space } from '../../theme';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { individualDrafts, type Sent } from '../records/bookDrafts';
import { useSession } from '../session/useSession';
import { colonyApi } from './colonyApi';
import { nextMarks } from './nextMarks';
import { useColonyWrite } from './useColonyWrite';
import { shownBy } from './words';

const YoungRow = z.object({
  id: z.string(),
  label: z.string(),
  sex: z.enum(['female', 'male']).optional(),
  shows: z.record(z.string(), z.string()),
});
const Typed = z.object({ rows: z.array(YoungRow) });

/** As many at once. */
const MOST = 60;

const SEXES = [
  { id: 'female', label: 'female' },
  { id: 'male', label: 'male' },
] as const;

interface Props {
  guide: Guide;
  pairing: Pairing;
  clutch: Clutch;
  members: readonly ColonyMember[];
  onDone: () => void;
}

/** The young of a clutch, written down in one go: all of them, or none. */
export function YoungForm({ guide, pairing, clutch, members, onDone }: Props) {
  const left = (clutch.young ?? 1) - members.filter(({ kept }) => kept.clutch === clutch.id).length;
  const [{ rows }, change, forget] = useKeptState<z.output<typeof Typed>>(`young.${clutch.id}`, Typed, {
    rows: nextMarks(
      members.map(({ label }) => label),
      Math.min(MOST, Math.max(1, left)),
    ).map((label) => ({ id: mintId(), label, shows: {} })),
  });
  const station = useSession().station.id;
  const { write, busy, problem, setProblem, at } = useColonyWrite(
    pairing.guideId,
    async (): Promise<Sent> => {
      const young = rows.map(({ id, label, sex, shows }) => ({
        ...{ id, label: label.trim(), phenotypes: shows },
        ...(sex ? { sex } : {}),
      }));
      try {
        await colonyApi('writeYoung', { params: { id: pairing.id }, body: { clutch: clutch.id, young } });
        return 'saved';
      } catch (error) {
        if (!(error instanceof RequestProblem) || error.status !== 0) throw error;
        // Without a connection each waits on this device.
        for (const { id, label, ...one } of young) {
          const kept = keptOfYoung(pairing, clutch, one);
          individualDrafts.startDraft(station, id, { version: 0, guideId: pairing.guideId, label, hidden: false, kept });
        }
        return 'kept-here';
      }
    },
    () => {
      forget();
      onDone();
    },
  );
  const set = (i: number, part: Partial<(typeof rows)[number]>) =>
    change({ rows: rows.map((row, k) => (k === i ? { ...row, ...part } : row)) });
  const submit = () => {
    const empty = rows.findIndex(({ label }) => !label.trim());
    if (empty >= 0) return setProblem({ field: `young[${empty}].label`, message: 'Give it a mark or a name.' });
    write(undefined);
  };
  return (
    <Stack gap="m">
      {rows.map((row, i) => (
        <View key={row.id} style={styles.row}>
          <View style={styles.mark}>
            <TextField
              label={`Mark of young ${i + 1}`}
              value={row.label}
              onChangeText={(label) => set(i, { label })}
              problem={at(`young[${i}]`)}
            />
          </View>
          <ChoiceGroup
            label={`Young ${i + 1} is a`}
            options={SEXES}
            chosen={row.sex ? [row.sex] : []}
            clearable
            onChange={([sex]) => set(i, { sex })}
          />
          {shownBy(guide).map(({ id, label, states }) => (
            <View key={id} style={styles.shows}>
              <Text size="small" strong quiet>
                {label}
              </Text>
              <Picker
                label={`The ${label} of young ${i + 1}`}
                items={states}
                chosen={row.shows[id]}
                onChange={(state) => set(i, { shows: { ...row.shows, [id]: state } })}
                onClear={() => set(i, { shows: Object.fromEntries(Object.entries(row.shows).filter(([other]) => other !== id)) })}
              />
            </View>
          ))}
        </View>
      ))}
      <Row justify="end">
        {rows.length > 1 && <Button small label="One less" onPress={() => change({ rows: rows.slice(0, -1) })} />}
        {rows.length < MOST && (
          <Button
            small
            label="One more"
            onPress={() => {
              const taken = [...members.map(({ label }) => label), ...rows.map(({ label }) => label)];
              change({ rows: [...rows, { id: mintId(), label: nextMarks(taken, 1)[0], shows: {} }] });
            }}
          />
        )}
      </Row>
      {problem && !problem.field?.startsWith('young[') && <Notice kind="problem">{problem.message}</Notice>}
      <Row justify="end">
        <Button
          kind="quiet"
          label="Not now"
          onPress={() => {
            forget();
            onDone();
          }}
        />
        <Button
          kind="main"
          label={`Write ${rows.length === 1 ? 'it' : `all ${rows.length}`} down`}
          busy={busy}
          onPress={submit}
        />
      </Row>
    </Stack>
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: space.m,
    borderTopWidth: 1,
    borderColor: colour.mist,
    paddingTop: space.s,
  },
  mark: { flexGrow: 1, flexBasis: 160 },
  shows: { gap: space.xs, flexShrink: 1 },
});
