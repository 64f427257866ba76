import type { ColonyMember } from '@plesion/contract/colony';
import { dayAfter } from '@plesion/core/fieldwork';
import type { Guide } from '@plesion/core/guide';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { today } from '../../lib/dates';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { colonyApi } from './colonyApi';
import { LeftOut } from './LeftOut';
import { SeparationForm } from './SeparationForm';
import { SettleForm } from './SettleForm';
import { TriedAlone } from './TriedAlone';
import { isDay, sayChance, standing, wrongDay } from './words';

interface Props {
  guide: Guide;
  guideId: string;
  members: readonly ColonyMember[];
}

/** What was tried of an egg that was found so many days ago still counts. */
const BACK = 60;

/** An egg lies in a pen and nobody saw who laid it. */
export function EggCard(props: Props) {
  const [pen, setPen] = useState<string>();
  const pens = [...new Set(props.members.flatMap(({ kept }) => (kept.status === 'here' && kept.pen) || []))].sort();
  if (pens.length === 0) return null;
  return (
    <Disclosure title="Whose egg is it?">
      <ChoiceGroup
        label="It lay in"
        options={pens.map((id) => ({ id, label: id }))}
        chosen={pen ? [pen] : []}
        clearable
        onChange={([one]) => setPen(one)}
      />
      {pen && <Egg key={pen} {...props} pen={pen} />}
    </Disclosure>
  );
}

/** Whose it is, in which order to keep them alone, and what came of it so far. */
function Egg({ guide, guideId, members, pen }: Props & { pen: string }) {
  const [since, setSince] = useState(() => firstTried(members, pen) ?? today());
  const [alone, setAlone] = useState<string>();
  const [laid, setLaid] = useState<string>();
  const dated = isDay(since);
  const found = useQuery({
    queryKey: ['egg', guideId, standing(members), pen, since],
    enabled: dated,
    retry: false,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => colonyApi('whoseEgg', { params: { id: guideId }, body: { pen, since } }, signal),
  });
  const likely = found.data?.members.filter(({ p }) => p >= 0.0005) ?? [];
  const mother = members.find(({ id }) => id === laid);
  return (
    <>
      <TextField
        label="It was found on"
        value={since}
        onChangeText={setSince}
        hint="As YYYY-MM-DD. What was tried from this day on counts."
        problem={wrongDay(since)}
      />
      {dated && found.isPending && <Loading what="Whose egg it is" />}
      {found.error && <Notice kind="problem">{found.error.message}</Notice>}
      {mother && (
        <Stack gap="xs" padY="xs" ruled="above">
          <Text strong>{`${mother.name} lays: it is a female.`}</Text>
          <SettleForm
            {...{ guide, guideId, member: mother, members }}
            doubted={{ what: 'sex' }}
            onDone={() => setLaid(undefined)}
          />
        </Stack>
      )}
      {found.data && !found.error && (
        <>
          {likely.map(({ id: name, p }, i) => {
            const member = members.find((one) => one.name === name);
            return (
              <Stack key={name} gap="xs" padY="xs" ruled="above">
                <Row align="center">
                  {member ? (
                    <LinkBox href={`/field/colony/${member.id}`} justify="center" fill={180}>
                      <Text figures color={colour.kelp}>{`${i + 1}. ${name}: ${sayChance(p)}`}</Text>
                    </LinkBox>
                  ) : (
                    <Text figures fill={180}>{`${i + 1}. ${name}: ${sayChance(p)}`}</Text>
                  )}
                  {member && alone !== name && (
                    <Button small label="Kept alone" hint={`Kept alone: ${name}`} onPress={() => setAlone(name)} />
                  )}
                </Row>
                {member && alone === name && (
                  <SeparationForm
                    {...{ guideId, member, pen }}
                    onDone={(what) => {
                      setAlone(undefined);
                      if (what === 'laid' && !isSurelyFemale(member)) setLaid(member.id);
                    }}
                  />
                )}
              </Stack>
            );
          })}
          <Text size="small" quiet>
            {likely.length > 1
              ? `Keep them alone in this order: about ${found.data.separations.toFixed(1)} separations on average. Those who cannot have laid it are left out.`
              : 'Nobody else of them can have laid it.'}
          </Text>
          <LeftOut records={found.data.without} />
        </>
      )}
      <TriedAlone {...{ guideId, members, pen, since }} />
    </>
  );
}

const isSurelyFemale = ({ kept: { sex } }: ColonyMember) => sex?.called === 'female' && sex.certainty === 1;

/** When somebody of a pen was first kept alone of late. */
function firstTried(members: readonly ColonyMember[], pen: string): string | undefined {
  const from = dayAfter(today(), -BACK);
  return members
    .flatMap(({ kept }) => kept.separations ?? [])
    .filter((one) => one.from === pen && one.on >= from)
    .map(({ on }) => on)
    .sort()
    .at(0);
}
