import type { Colony, PairsWrite } from '@plesion/contract/colony';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { numberOf } from '../../lib/numberOf';
import { useAddress } from '../../lib/useAddress';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Stack } from '../../ui/Stack';
import { Empty, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { colonyApi } from './colonyApi';
import { LeftOut } from './LeftOut';
import { goalsOf } from './goals';
import { KindPlate } from './MemberPlate';
import { useBook } from './useBook';
import { sayChance, sayShares } from './words';

/** Young of a clutch where nothing else is asked. */
const USUAL = '20';
/** Shown of the ranked pairs. */
const SHOWN = 25;

const SEXES = [
  { id: 'female', label: 'females' },
  { id: 'male', label: 'males' },
] as const;
const LIMITS = [
  { id: '0', label: 'no kin' },
  { id: '0.0625', label: 'F up to 0.0625' },
  { id: '0.125', label: 'F up to 0.125' },
] as const;
const PURE = [{ id: 'yes', label: 'young of one strain only' }] as const;

/** Which of those that are here would do best together? */
export function PairsScreen() {
  const [{ guide }] = useAddress(['guide'], 0);
  const { book, error, retry } = useBook(guide);
  return guide ? (
    <AsyncScreen what="The keeper’s book" value={book} error={error} retry={retry}>
      {(own) => <Pairs guideId={guide} colony={own.colony} guide={own.guide} />}
    </AsyncScreen>
  ) : (
    <Screen>
      <PageHeading>Which pair would do best?</PageHeading>
      <Empty title="Of which book?">Ask this from the keeper’s book.</Empty>
    </Screen>
  );
}

function Pairs({ guideId, colony, guide }: { guideId: string; colony: Colony; guide: Guide }) {
  const router = useRouter();
  const [{ goal: asked, sex, clutch: typed = USUAL, inbred, pure }, setAddress] = useAddress([
    'goal',
    'sex',
    'clutch',
    'inbred',
    'pure',
  ]);
  const goals = goalsOf(guide);
  const goal = goals.find(({ id }) => id === asked);
  const clutch = numberOf(typed);
  const fits = clutch !== undefined && Number.isInteger(clutch) && clutch >= 1 && clutch <= 1000;
  const only = sex === 'female' || sex === 'male' ? sex : undefined;
  const wanted: PairsWrite['goal'] | undefined =
    goal && ('locus' in goal.asked || !only ? goal.asked : { shows: goal.asked.shows, sex: only });
  const found = useQuery({
    queryKey: ['pairs', guideId, wanted, clutch, inbred, pure, colony.members],
    enabled: wanted !== undefined && fits,
    retry: false,
    queryFn: ({ signal }) => {
      const limits = { ...(inbred ? { mostInbred: Number(inbred) } : {}), pure: pure === 'yes' };
      const body: PairsWrite = { goal: wanted!, clutch: clutch!, ...limits };
      return colonyApi('rankPairs', { params: { id: guideId }, body }, signal);
    },
  });
  const names = new Map(colony.members.map(({ id, name }) => [id, name]));
  return (
    <Screen widest={860}>
      <PageHeading>Which pair would do best?</PageHeading>
      <Card>
        <Stack gap="m">
          <Text size="small" strong quiet>
            What is wanted
          </Text>
          <Picker label="What is wanted" items={goals} chosen={goal?.id} onChange={(next) => setAddress({ goal: next })} />
          {goal && !('locus' in goal.asked) && (
            <ChoiceGroup
              label="Only"
              options={SEXES}
              chosen={only ? [only] : []}
              clearable
              onChange={([next]) => setAddress({ sex: next })}
            />
          )}
          <TextField
            label="Young of a clutch"
            value={typed}
            onChangeText={(next) => setAddress({ clutch: next })}
            inputMode="numeric"
            problem={fits ? undefined : 'Write a whole number from 1 to 1000.'}
          />
          <ChoiceGroup
            label="How near kin they may be"
            options={LIMITS}
            chosen={inbred ? [inbred as '0'] : []}
            clearable
            onChange={([next]) => setAddress({ inbred: next })}
          />
          {(guide.heredity?.strains?.length ?? 0) > 1 && (
            <ChoiceGroup
              label="Strains"
              options={PURE}
              chosen={pure === 'yes' ? ['yes'] : []}
              clearable
              onChange={([next]) => setAddress({ pure: next })}
            />
          )}
        </Stack>
      </Card>
      {!goal && (
        <Text quiet>Choose what is wanted: all pairs of those that are here are looked at, and the best stand first.</Text>
      )}
      {goal && found.isFetching && <Loading what="All pairs, worked out" />}
      {goal && found.error && <Notice kind="problem">{found.error.message}</Notice>}
      {goal && !found.isFetching && found.data && !found.error && (
        <>
          <Text quiet>{sayLooked(found.data)}</Text>
          <LeftOut records={found.data.without} />
          {found.data.pairs.length === 0 && (
            <Empty title="No pair is left">Let them be nearer kin, or of two strains; or keep somebody of the other sex.</Empty>
          )}
          {found.data.pairs.slice(0, SHOWN).map((pair, i) => (
            <Card key={pair.father + pair.mother}>
              <Row gap="m" align="center">
                {goal.facets && <KindPlate guide={guide} facets={{ sex: only ?? 'female', ...goal.facets }} width={84} />}
                <Stack gap="hair" fill least={180}>
                  <Text strong>{`${i + 1}. ${names.get(pair.father)} with ${names.get(pair.mother)}`}</Text>
                  <Text>
                    {pair.bits === undefined
                      ? `${inHundred(pair.p)} of the young; of ${clutch} about ${pair.expected.toFixed(1)}; one at the least: ${sayChance(pair.atLeastOne)}`
                      : `a clutch of ${clutch} tells ${pair.bits.toFixed(2)} bits; it shows with ${sayChance(pair.atLeastOne)}`}
                  </Text>
                  <Text size="small" quiet>
                    {[pair.inbreeding > 0 ? `F of the young ${pair.inbreeding.toFixed(3)}` : 'not kin', sayShares(pair.shares)]
                      .filter(Boolean)
                      .join(' · ')}
                  </Text>
                  {pair.apart.map((why) => (
                    <Text key={why} size="small" color={colour.hazard}>{`Kept apart: ${why}`}</Text>
                  ))}
                </Stack>
              </Row>
              <Row gap="m" justify="end">
                {(['father', 'mother'] as const).map((role) => (
                  <LinkBox key={role} href={`/field/colony/${pair[role]}`} justify="center" shrink>
                    <Text color={colour.kelp}>{names.get(pair[role])}</Text>
                  </LinkBox>
                ))}
                <Button
                  small
                  label="Pair them"
                  hint={`Pair them: ${names.get(pair.father)} with ${names.get(pair.mother)}`}
                  onPress={() =>
                    router.push(`/field/colony/pairings/new?guide=${guideId}&father=${pair.father}&mother=${pair.mother}`)
                  }
                />
              </Row>
            </Card>
          ))}
          {found.data.pairs.length > SHOWN && <Text quiet>{`The best ${SHOWN} are shown.`}</Text>}
        </>
      )}
    </Screen>
  );
}

const sayLooked = ({ looked, inbred, mixed }: { looked: number; inbred: number; mixed: number }): string =>
  [
    `${looked} pairs looked at`,
    inbred > 0 && `${inbred} left out as too near kin`,
    mixed > 0 && `${mixed} left out as of two strains`,
  ]
    .filter(Boolean)
    .join(', ');
