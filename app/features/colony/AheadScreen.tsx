import type { BookAhead, SimulateWrite } from '@plesion/contract/colony';
import type { Guide } from '@plesion/core/guide';
import { useQuery } from '@tanstack/react-query';
import { Suspense } from 'react';
import { numberOf } from '../../lib/numberOf';
import { useAddress } from '../../lib/useAddress';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Box } from '../../ui/Box';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Stack } from '../../ui/Stack';
import { Empty, Loading } from '../../ui/states';
import { Table } from '../../ui/Table';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { colonyApi } from './colonyApi';
import { goalsOf } from './goals';
import { AheadChart } from './lazyAheadChart';
import { LeftOut } from './LeftOut';
import { useBook } from './useBook';
import { locusLabel, shownBy } from './words';

const GENERATIONS = 5;
const RUNS = 100;

const RULES = [
  { id: 'random', label: 'as it comes' },
  { id: 'least-kin', label: 'the least akin together' },
  { id: 'show', label: 'those that show something' },
] as const;

/** Five generations on: what becomes of the genes, of kinship and of numbers, where one breeds by a rule. */
export function AheadScreen() {
  const [{ guide }] = useAddress(['guide'], 0);
  const { book, error, retry } = useBook(guide);
  return guide ? (
    <AsyncScreen what="The keeper’s book" value={book} error={error} retry={retry}>
      {(own) => <Ahead guideId={guide} guide={own.guide} book={own.colony.members} />}
    </AsyncScreen>
  ) : (
    <Screen>
      <PageHeading>Five generations on</PageHeading>
      <Empty title="Of which book?">Ask this from the keeper’s book.</Empty>
    </Screen>
  );
}

const within = (text: string, most: number) => {
  const value = numberOf(text);
  return value !== undefined && Number.isInteger(value) && value >= 1 && value <= most ? value : undefined;
};

function Ahead({ guideId, guide, book }: { guideId: string; guide: Guide; book: unknown }) {
  const [{ rule: chosen, goal: asked, pairs: pairsTyped = '4', clutch: clutchTyped = '6', seed = '1' }, setAddress] = useAddress([
    'rule',
    'goal',
    'pairs',
    'clutch',
    'seed',
  ]);
  const rule = RULES.find(({ id }) => id === chosen)?.id ?? 'random';
  const goals = goalsOf(guide).flatMap((one) => ('locus' in one.asked ? [] : [{ ...one, shows: one.asked.shows }]));
  const goal = goals.find(({ id }) => id === asked);
  const [pairs, clutch] = [within(pairsTyped, 20), within(clutchTyped, 20)];
  const ready = pairs !== undefined && clutch !== undefined && (rule !== 'show' || goal !== undefined);
  const found = useQuery({
    queryKey: ['ahead', guideId, rule, rule === 'show' && goal?.id, pairs, clutch, seed, book],
    enabled: ready,
    retry: false,
    queryFn: ({ signal }) => {
      const body: SimulateWrite = {
        ...{ rule, pairs: pairs!, clutch: clutch!, generations: GENERATIONS, runs: RUNS, seed: seed.slice(0, 80) },
        ...(rule === 'show' ? { goal: goal!.shows } : {}),
      };
      return colonyApi('ahead', { params: { id: guideId }, body }, signal);
    },
  });
  return (
    <Screen widest={860}>
      <PageHeading>Five generations on</PageHeading>
      <Text quiet>{`Bred from all that are here, by a rule, and played ${RUNS} times: the same number plays the same.`}</Text>
      <Card>
        <Stack gap="m">
          <ChoiceGroup label="Who is paired" options={RULES} chosen={[rule]} onChange={([next]) => setAddress({ rule: next })} />
          {rule === 'show' && (
            <Picker label="What is bred for" items={goals} chosen={goal?.id} onChange={(next) => setAddress({ goal: next })} />
          )}
          <Row gap="m">
            <Box fill={130}>
              <TextField
                label="Pairs a generation"
                value={pairsTyped}
                onChangeText={(next) => setAddress({ pairs: next })}
                inputMode="numeric"
                problem={pairs === undefined ? 'Write a whole number from 1 to 20.' : undefined}
              />
            </Box>
            <Box fill={130}>
              <TextField
                label="Young of a pair"
                value={clutchTyped}
                onChangeText={(next) => setAddress({ clutch: next })}
                inputMode="numeric"
                problem={clutch === undefined ? 'Write a whole number from 1 to 20.' : undefined}
              />
            </Box>
            <Box fill={130}>
              <TextField label="Number of the draw" value={seed} onChangeText={(next) => setAddress({ seed: next })} />
            </Box>
          </Row>
        </Stack>
      </Card>
      {rule === 'show' && !goal && <Text quiet>Choose what is bred for.</Text>}
      {ready && found.isFetching && <Loading what="Five generations, a hundred times" />}
      {ready && found.error && <Notice kind="problem">{found.error.message}</Notice>}
      {ready && !found.isFetching && found.data && !found.error && <Played guide={guide} {...found.data} />}
    </Screen>
  );
}

function Played({ guide, generations, without }: BookAhead & { guide: Guide }) {
  const [first] = generations;
  if (!first?.runs) return <Empty title="Nothing can be bred">There is nobody here of one of the sexes.</Empty>;
  const last = generations.at(-1)!;
  const hundredths = (share: number) => String(Math.round(100 * share));
  const spread = ({ mean, low, high }: { mean: number; low: number; high: number }) =>
    `${hundredths(mean)} (${hundredths(low)}–${hundredths(high)})`;
  const shown = new Map(shownBy(guide).flatMap(({ id, states }) => states.map((one) => [`${id} ${one.id}`, one.label] as const)));
  const rows = [
    ...first.shows.map(({ character, state }, i) => [
      shown.get(`${character} ${state}`) ?? state,
      ...generations.map((one) => (one.runs ? spread(one.shows[i].share) : '–')),
    ]),
    ...first.alleles.map(({ locus, allele }, i) => [
      `${locusLabel(guide, locus)} ${allele}`,
      ...generations.map((one) => (one.runs ? spread(one.alleles[i].frequency) : '–')),
    ]),
  ];
  return (
    <>
      <LeftOut records={without} />
      <Card title="Inbreeding and numbers">
        {last.runs < first.runs && (
          <Text>{`In ${first.runs - last.runs} of ${RUNS} runs there was nobody of one sex before the last generation.`}</Text>
        )}
        <Suspense fallback={<Text quiet>The chart …</Text>}>
          <AheadChart what="inbreeding F" of={({ inbreeding }) => inbreeding} {...{ generations }} runs={RUNS} digits={3} />
          <AheadChart what="number of young" of={({ young }) => young} {...{ generations }} runs={RUNS} digits={0} />
        </Suspense>
      </Card>
      <Card title="What shows, and what is carried">
        <Text size="small" quiet>
          In hundredths: the mean, and between what nine runs in ten lie.
        </Text>
        <Table
          label="What shows and what is carried, in hundredths: the mean, and between what nine runs in ten lie"
          columns={['What', ...generations.map((_, i) => `gen. ${i + 1}`)]}
          rows={rows}
        />
      </Card>
    </>
  );
}
