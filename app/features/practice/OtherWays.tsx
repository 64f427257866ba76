import type { PracticeStanding } from '@plesion/contract';
import { Card } from '../../ui/Card';
import { Stack } from '../../ui/Stack';
import { Table } from '../../ui/Table';
import { Text } from '../../ui/Text';
import { useKeys } from '../records/useKeys';

type OfGuide = PracticeStanding['guides'][number];

/** What many at once were taken for. */
export function Flocks({ flocks }: Pick<OfGuide, 'flocks'>) {
  if (!flocks.length) return null;
  return (
    <Card title="Many at once">
      {flocks.map((flock) => (
        <Text key={flock.task}>{FLOCK_WORDS[flock.task](flock)}</Text>
      ))}
    </Card>
  );
}

type OfFlocks = OfGuide['flocks'][number];

const FLOCK_WORDS: Record<OfFlocks['task'], (flock: OfFlocks) => string> = {
  odd: ({ right, answers }) => `The odd one of twenty: found in ${right} of ${answers}.`,
  many: ({ right, answers, ratio }) =>
    `How many: ${right} of ${answers} within a fifth.${ratio === undefined ? '' : ` In the middle you say ${Math.round(100 * ratio)} where there are 100.`}`,
  tally: ({ right, answers }) => `Counts of each kind: ${right} of ${answers} right but for one in twenty.`,
};

type OfWalks = Pick<OfGuide, 'guideId' | 'walks'>;

/** Couplets told of each key: the hardest. */
const HARDEST = 6;

/** Keys that were walked, and their couplets that were missed most. */
export const Walks = (own: OfWalks) => (own.walks.length > 0 ? <Walked {...own} /> : null);

function Walked({ guideId, walks }: OfWalks) {
  const keys = useKeys(guideId).data?.keys;
  const titleOf = (keyId: string) => keys?.find(({ id }) => id === keyId)?.title ?? 'A key';
  return (
    <Card title="Walking keys">
      {walks.map(({ keyId, walks: n, right, couplets }) => (
        <Stack key={keyId}>
          <Text>{`${titleOf(keyId)}: ${right} of ${n} walked without a miss. The hardest couplets first:`}</Text>
          <Table
            label={titleOf(keyId)}
            columns={['Couplet', 'Right', 'Took']}
            rows={couplets
              .slice(0, HARDEST)
              .map((one) => [
                one.number,
                `${one.right} of ${one.answers}`,
                one.seconds === undefined ? '' : `${one.seconds.toFixed(1)} s`,
              ])}
          />
        </Stack>
      ))}
    </Card>
  );
}
