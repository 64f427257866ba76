import type { ColonyMember } from '@plesion/contract/colony';
import type { Guide } from '@plesion/core/guide';
import { USUAL_WRONG, VERIFICATION_KINDS, VERIFICATION_WORDS, type VerificationKind } from '@plesion/core/verification/schema';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { today } from '../../lib/dates';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormEnd, FormPart } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Picker } from '../../ui/Picker';
import { Text } from '../../ui/Text';
import { verificationApi } from '../verification/verificationApi';
import { type Doubted, insteadOf, lookAt, sayDoubted, turnedOut } from './settling';
import { useSession } from '../session/useSession';
import { useColonyForm } from './useColonyWrite';
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

/** As it is typed; kept over a reload. */
const Settled = z.object({ chosen: z.string().optional(), why: z.string(), kind: z.enum(VERIFICATION_KINDS) });
type Settled = z.infer<typeof Settled>;

/**
 * A record that does not fit, settled: what is right stands from now on, and beside it what was written and why it was
 * wrong. A sex that turned out is an outcome as well: the names of its specimens are held against it.
 */
export function SettleForm({ guide, guideId, member, members, doubted, onDone }: Props) {
  const station = useSession().station.id;
  const [outcomeId] = useState(() => mintId());
  const names = new Map(members.map(({ id, name }) => [id, name]));
  const was = sayDoubted(guide, member, doubted, names);
  const all = insteadOf(guide, member, doubted, members);
  const form = useColonyForm(guideId, {
    name: `settle.${member.id}.${doubted.character ?? doubted.what}`,
    typed: Settled,
    first: (): Settled => ({ why: '', kind: 'egg' }),
    check: ({ chosen, why }) => ({
      chosen: !all.some(({ id }) => id === chosen) && 'Say what is right.',
      why: !why.trim() && 'Say how it was found out.',
    }),
    async send({ chosen, why, kind }) {
      const right = all.find(({ id }) => id === chosen)!;
      const what = doubted.what === 'phenotype' ? doubted.character! : doubted.what;
      const line = { on: today(), what, was: was.slice(0, 200), now: right.label.slice(0, 200), why: why.trim() };
      const turned = turnedOut(guide, doubted, right);
      // The outcome needs the server; where that cannot be reached, neither is written.
      if (turned)
        await verificationApi('verify', {
          body: {
            ...{ id: outcomeId, individualId: member.id, kind, ...turned, wrong: USUAL_WRONG[kind] },
            ...{ on: today(), note: why.trim(), sameCall: false },
          },
        });
      const kept = { ...right.kept, corrections: [...(member.kept.corrections ?? []), line] };
      return sendKept(station, member, guideId, kept);
    },
    onSent: onDone,
  });
  const { control, change } = form;
  const { chosen, kind } = form.typed;
  const instead = all.find(({ id }) => id === chosen);
  const shown = shownBy(guide).find(({ id }) => id === doubted.character)?.label;
  return (
    <Form submit={form.submit} gap="s">
      <Text size="small">{lookAt(doubted, shown)}</Text>
      <Text size="small" strong quiet>{`Written: ${was}. What is right?`}</Text>
      <FormPart control={control} name="chosen">
        <Picker label="What is right" items={all} chosen={chosen} onChange={(id) => change({ chosen: id })} />
      </FormPart>
      {instead && turnedOut(guide, doubted, instead) && (
        <ChoiceGroup
          label="It is known by"
          options={VERIFICATION_KINDS.map((id) => ({ id, label: VERIFICATION_WORDS[id] }))}
          chosen={[kind]}
          onChange={([id]: VerificationKind[]) => change({ kind: id })}
        />
      )}
      <FormTextField control={control} name="why" label="How it was found out" multiline />
      <FormEnd form={form} label="Settle it">
        <Button kind="quiet" label="Not now" onPress={onDone} />
      </FormEnd>
    </Form>
  );
}
