import type { ColonyMember } from '@plesion/contract/colony';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { colonyApi } from './colonyApi';
import { LeftOut } from './LeftOut';
import { KindPlate } from './MemberPlate';
import { locusLabel, sayChance, shownBy } from './words';

interface Props {
  guide: Guide;
  guideId: string;
  member: ColonyMember;
  members: readonly ColonyMember[];
  /** What each comes to, by name, where that is told. */
  sexes: ReadonlyMap<string, { female: number; male: number }>;
}

/** What it would have with another: kinds of young, how many of a clutch, and what they carry. */
export function PairCard({ guide, guideId, member, members, sexes }: Props) {
  const [mate, setMate] = useState<string>();
  const [typed, setTyped] = useState('20');
  const clutch = Math.round(Number(typed));
  const fits = Number.isInteger(clutch) && clutch >= 1 && clutch <= 1000;
  const isMale = ({ name, kept }: ColonyMember) => {
    const told = sexes.get(name);
    return told && told.male !== told.female ? told.male > told.female : kept.sex && kept.sex.called === 'male';
  };
  const male = isMale(member) ?? false;
  const mates = members.filter((one) => one.id !== member.id && one.kept.status === 'here' && isMale(one) !== male);
  const pair = male ? { father: member.id, mother: mate! } : { father: mate!, mother: member.id };
  const found = useQuery({
    queryKey: ['pair', guideId, pair, clutch, member.version, members.length],
    enabled: mate !== undefined && fits,
    retry: false,
    queryFn: ({ signal }) => colonyApi('pair', { params: { id: guideId }, body: { ...pair, clutch } }, signal),
    placeholderData: (before) => before,
  });
  const words = new Map(shownBy(guide).flatMap(({ id, states }) => states.map((one) => [`${id} ${one.id}`, one.label] as const)));
  return (
    <Card title="What it would have">
      {mates.length === 0 && <Text quiet>There is nobody here of the other sex.</Text>}
      {mates.length > 0 && (
        <Picker
          label={male ? 'With which female' : 'With which male'}
          items={mates.map(({ id, name }) => ({ id, label: name }))}
          chosen={mate}
          onChange={setMate}
          onClear={() => setMate(undefined)}
        />
      )}
      {mate && (
        <TextField
          label="Young of a clutch"
          value={typed}
          onChangeText={setTyped}
          inputMode="numeric"
          problem={fits ? undefined : 'Write a whole number from 1 to 1000.'}
        />
      )}
      {mate && found.error && <Notice kind="problem">{found.error.message}</Notice>}
      {mate && found.isPending && fits && <Loading what="What they would have" />}
      {mate && found.data && !found.error && (
        <Stack>
          {found.data.young.map(({ sex, shows, p, expected, atLeastOne }) => (
            <Row key={`${sex} ${JSON.stringify(shows)}`} gap="m" align="center" oneLine>
              <KindPlate guide={guide} facets={{ sex, ...inFacets(guide, shows) }} width={84} />
              <Stack gap="hair" fill>
                <Text strong>{`${sex}, ${Object.entries(shows)
                  .map(([id, state]) => words.get(`${id} ${state}`) ?? state)
                  .join(', ')}`}</Text>
                <Text figures size="small">{`${inHundred(p)} of the young; of ${clutch} about ${expected.toFixed(1)}`}</Text>
                <Text figures size="small" quiet>{`one at the least: ${sayChance(atLeastOne)}`}</Text>
              </Stack>
            </Row>
          ))}
          {Object.entries(found.data.genotypes).map(([locus, all]) => (
            <Text key={locus} size="small">
              {`${locusLabel(guide, locus)}: ${all.map(({ genotype, p }) => `${genotype} ${sayChance(p)}`).join(', ')}`}
            </Text>
          ))}
          <LeftOut records={found.data.without} />
          <Text size="small" quiet>
            {found.data.inbreeding > 0
              ? `The young would be inbred: F = ${found.data.inbreeding.toFixed(3)}.`
              : 'The two are not kin, as far as the book goes back.'}
          </Text>
        </Stack>
      )}
    </Card>
  );
}

const inFacets = (guide: Guide, shows: Record<string, string>) =>
  Object.fromEntries(Object.entries(shows).filter(([id]) => id in guide.facets));
