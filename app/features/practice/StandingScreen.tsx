import type { PracticeStanding, StoredGuide } from '@plesion/contract';
import { inHundred } from '@plesion/core/evidence';
import { type Guide, reliabilityOf } from '@plesion/core/guide';
import { type Memory, retained, rhoOf, sayGroup } from '@plesion/core/practice';
import { CERTAINTY } from '@plesion/core/practice/schema';
import { Suspense } from 'react';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Box } from '../../ui/Box';
import { Card } from '../../ui/Card';
import { ChartRoom } from '../../ui/ChartRoom';
import { CalibrationChart } from '../../ui/lazyCalibrationChart';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { Table } from '../../ui/Table';
import { Text } from '../../ui/Text';
import { mainView, overPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { WithGuide } from '../records/WithGuide';
import { ConfusionMap } from './ConfusionMap';
import { groupPlate } from './groupPlate';
import { WeeksChart } from './lazyCharts';
import { labelOf } from './sayReading';
import { useStanding } from './useStanding';
import { Flocks, Walks } from './OtherWays';

/** How one's practice with a guide stands: what is safe and what is not, and what would help most. */
export function StandingScreen({ id }: { id: string }) {
  return (
    <WithGuide id={id} what="How practice stands">
      {(stored) => <Standing stored={stored} />}
    </WithGuide>
  );
}

function Standing({ stored: { id, guide } }: { stored: StoredGuide }) {
  const { standing, data, error, refetch } = useStanding();
  const own = standing?.guides.find(({ guideId }) => guideId === id);
  const pairs = standing?.memories.filter(({ kind, guideId }) => kind === 'pair' && guideId === id) ?? [];
  return (
    <AsyncScreen what="How practice stands" value={standing} error={data ? undefined : error} retry={() => void refetch()}>
      {() => (
        <Screen widest={860}>
          <PageHeading>How practice stands</PageHeading>
          <Text quiet>{guide.title}</Text>
          {own ? (
            <>
              <Pairs id={id} guide={guide} pairs={pairs} />
              <Confused guide={guide} own={own} />
              <Certainty own={own} />
              <Marks id={id} guide={guide} own={own} />
              <Flocks flocks={own.flocks} />
              <Walks guideId={own.guideId} walks={own.walks} />
              {own.weeks.length > 1 && (
                <Card title="Over the weeks">
                  <Suspense fallback={<ChartRoom chart={180} />}>
                    <WeeksChart weeks={own.weeks} />
                  </Suspense>
                </Card>
              )}
            </>
          ) : (
            <Empty title="Not practised yet">After a few answers you see here which pairs are safe, and which are not.</Empty>
          )}
        </Screen>
      )}
    </AsyncScreen>
  );
}

/** A pair is safe from this share of the last answers on, and from so many answers on. */
const SAFE = 0.8;
const ENOUGH = 5;

const shareOf = ({ lately }: Memory): number => lately.filter(Boolean).length / lately.length;
const isSafe = (memory: Memory): boolean => memory.answers >= ENOUGH && shareOf(memory) >= SAFE;

function Pairs({ id, guide, pairs }: { id: string; guide: Guide; pairs: readonly Memory[] }) {
  const open = pairs.filter((one) => !isSafe(one)).sort((a, b) => shareOf(a) - shareOf(b) || b.answers - a.answers);
  const safe = pairs.filter(isSafe);
  return (
    <>
      {open.length > 0 && (
        <Card title="Not safe yet" aside={`${open.length}`}>
          <Text>{`What would help most: ten more of ${sayPair(guide, open[0])}.`}</Text>
          {open.map((memory) => (
            <PairRow key={memory.of.join(' ')} id={id} guide={guide} memory={memory} />
          ))}
        </Card>
      )}
      {safe.length > 0 && (
        <Card title="Safe" aside={`${safe.length}`}>
          {safe.map((memory) => (
            <PairRow key={memory.of.join(' ')} id={id} guide={guide} memory={memory} />
          ))}
        </Card>
      )}
    </>
  );
}

const sayPair = (guide: Guide, { of }: Memory): string => of.map((one) => sayGroup(guide, { id: one, label: one })).join(' and ');

const SMALL = 64;

function PairRow({ id, guide, memory }: { id: string; guide: Guide; memory: Memory }) {
  const [a, b] = memory.of;
  const view = mainView(guide);
  return (
    <LinkBox
      href={`/guides/${id}/practice?way=pair&a=${encodeURIComponent(a)}&b=${encodeURIComponent(b)}`}
      label={`${sayPair(guide, memory)}: practise these two`}
      gap="m"
      align="center"
      padY="s"
      ruled="above"
      across
    >
      <Row oneLine>
        {memory.of.map((group) => {
          const plate = groupPlate(guide, group, view, 'thumb');
          return plate && <PlateView key={group} plate={plate} {...overPlate(plate, SMALL, SMALL)} />;
        })}
      </Row>
      <Box fill={180}>
        <Text strong color={colour.kelp}>
          {sayPair(guide, memory)}
        </Text>
        <Text size="small" quiet>
          {`${memory.lately.filter(Boolean).length} of the last ${memory.lately.length} right · kept with ${inHundred(retained(memory, new Date()))} today · due ${sayDate(memory.card.due)}`}
        </Text>
      </Box>
    </LinkBox>
  );
}

interface OwnProps {
  own: PracticeStanding['guides'][number];
}

function Confused({ guide, own: { confused } }: OwnProps & { guide: Guide }) {
  if (!confused.length) return null;
  const name = (id: string) => sayGroup(guide, { id, label: id });
  return (
    <Card title="What you took for what">
      <ConfusionMap guide={guide} confused={confused} />
      <Table
        label="What was taken for what"
        columns={['It was', 'You said', 'Times']}
        rows={confused.map(({ truth, said, n }) => [name(truth), name(said), String(n)])}
      />
    </Card>
  );
}

function Certainty({ own: { certainty } }: OwnProps) {
  const bins = certainty
    .filter(({ sure }) => sure !== 'guess')
    .map(({ sure, answers, right }) => ({ label: sure, stated: CERTAINTY[sure], right: right / answers, n: answers }))
    .sort((a, b) => a.stated - b.stated);
  if (!bins.length) return null;
  return (
    <Card title="How far your certainty can be relied on">
      <Suspense fallback={<ChartRoom />}>
        <CalibrationChart bins={bins} />
      </Suspense>
      {bins.map(({ label, stated, right, n }) => (
        <Text key={label} size="small">
          {`“${label}” stands for ${inHundred(stated)}; yours was right in ${Math.round(right * n)} of ${n}.`}
        </Text>
      ))}
    </Card>
  );
}

function Marks({ id, guide, own: { marks } }: OwnProps & { id: string; guide: Guide }) {
  if (!marks.length) return null;
  const read = marks
    .map((mark) => {
      const character = guide.characters.find((one) => one.id === mark.character);
      const prior = character ? reliabilityOf(guide, character) : guide.settings.reliability;
      return { ...mark, ...rhoOf(prior, mark), prior };
    })
    .sort((a, b) => a.rho - b.rho);
  return (
    <Card title="How you read each mark">
      <Text size="small" quiet>
        ρ is how often you read it as it is, with the middle 90 in 100 of what it may be; the guide’s own weighs as ten answers.
      </Text>
      {read.map(({ character, answers, right, rho, low, high, prior, bias }) => (
        <LinkBox
          key={character}
          href={`/guides/${id}/practice?way=mark&mark=${encodeURIComponent(character)}`}
          label={`${labelOf(guide, character)}: practise this mark`}
          justify="center"
          padY="s"
          ruled="above"
        >
          <Text strong color={colour.kelp}>
            {labelOf(guide, character)}
          </Text>
          <Text size="small">
            {`ρ ${rho.toFixed(2)} (${low.toFixed(2)}–${high.toFixed(2)}) · the guide’s ${prior.toFixed(2)} · ${right} of ${answers} read as it is`}
          </Text>
          {bias && (
            <Text size="small" quiet>
              {sayBias(bias)}
            </Text>
          )}
        </LinkBox>
      ))}
    </Card>
  );
}

/** How far numbers by eye are off, in the middle, and how much they scatter about that. */
function sayBias({ values, ratio, spread }: NonNullable<OwnProps['own']['marks'][number]['bias']>): string {
  const off = Math.round(100 * (ratio - 1));
  const middle =
    off === 0 ? 'neither too much nor too little' : `${Math.abs(off)} in a hundred too ${off > 0 ? 'much' : 'little'}`;
  const scatter = spread === undefined ? '' : `, give or take ${Math.round(100 * spread)}`;
  return `By eye: ${middle}${scatter}, over ${values}.`;
}
