import type { ColonyMember } from '@plesion/contract/colony';
import type { Guide } from '@plesion/core/guide';
import { USUAL_WRONG, VERIFICATION_KINDS, VERIFICATION_WORDS, type VerificationKind } from '@plesion/core/verification/schema';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { today } from '../../lib/dates';
import { useKeptState } from '../../lib/useKeptState';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { verificationApi } from '../verification/verificationApi';
import { type Doubted, insteadOf, lookAt, sayDoubted, turnedOut } from './settling';
import { useSession } from '../session/useSession';
import { useColonyWrite } from './useColonyWrite';
import { sendKept } from './useKept';
import { shownBy } from './words';

interface Props {
  guide: Guide;
  guideId: string;
  member: ColonyMember;
  members: readonly ColonyMember[];
  doubted: Doubted;
  onDone: () => void;
}

const Settled = z.object({ chosen: z.string().optional(), why: z.string(), kind: z.enum(VERIFICATION_KINDS) });

/**
 * A record that does not fit, settled: what is right stands from now on, and beside it what was written and why it was
 * wrong. A sex that turned out is an outcome as well: the names of its specimens are held against it.
 */
export function SettleForm({ guide, guideId, member, members, doubted, onDone }: Props) {
  const [{ chosen, why, kind }, change, forget] = useKeptState<z.infer<typeof Settled>>(
    `settle.${member.id}.${doubted.character ?? doubted.what}`,
    Settled,
    { why: '', kind: 'egg' },
  );
  const station = useSession().station.id;
  const [outcomeId] = useState(() => mintId());
  const names = new Map(members.map(({ id, name }) => [id, name]));
  const was = sayDoubted(guide, member, doubted, names);
  const all = insteadOf(guide, member, doubted, members);
  const instead = all.find(({ id }) => id === chosen);
  const { write, busy, problem, setProblem, at } = useColonyWrite(
    guideId,
    async () => {
      const what = doubted.what === 'phenotype' ? doubted.character! : doubted.what;
      const line = { on: today(), what, was: was.slice(0, 200), now: instead!.label.slice(0, 200), why: why.trim() };
      const turned = turnedOut(guide, doubted, instead!);
      // The outcome needs the server; where that cannot be reached, neither is written.
      if (turned)
        await verificationApi('verify', {
          body: {
            ...{ id: outcomeId, individualId: member.id, kind, ...turned, wrong: USUAL_WRONG[kind] },
            ...{ on: today(), note: why.trim(), sameCall: false },
          },
        });
      const kept = { ...instead!.kept, corrections: [...(member.kept.corrections ?? []), line] };
      return sendKept(station, member, guideId, kept);
    },
    () => {
      forget();
      onDone();
    },
  );
  const submit = () => {
    if (!instead) return setProblem({ field: 'instead', message: 'Say what is right.' });
    if (!why.trim()) return setProblem({ field: 'why', message: 'Say how it was found out.' });
    write(undefined);
  };
  const shown = shownBy(guide).find(({ id }) => id === doubted.character)?.label;
  return (
    <View style={styles.form}>
      <Text size="small">{lookAt(doubted, shown)}</Text>
      <Text size="small" strong quiet>{`Written: ${was}. What is right?`}</Text>
      <Picker label="What is right" items={all} chosen={chosen} onChange={(id) => change({ chosen: id })} />
      {at('instead') && <Notice kind="problem">{at('instead')!}</Notice>}
      {instead && turnedOut(guide, doubted, instead) && (
        <ChoiceGroup
          label="It is known by"
          options={VERIFICATION_KINDS.map((id) => ({ id, label: VERIFICATION_WORDS[id] }))}
          chosen={[kind]}
          onChange={([id]: VerificationKind[]) => change({ kind: id })}
        />
      )}
      <TextField
        label="How it was found out"
        value={why}
        onChangeText={(text) => change({ why: text })}
        multiline
        problem={at('why')}
      />
      {problem && problem.field !== 'instead' && problem.field !== 'why' && <Notice kind="problem">{problem.message}</Notice>}
      <Row justify="end">
        <Button kind="quiet" label="Not now" onPress={onDone} />
        <Button kind="main" label="Settle it" busy={busy} onPress={submit} />
      </Row>
    </View>
  );
}

const styles = StyleSheet.create({
  form: { gap: space.s, paddingBottom: space.s },
});
