import type { HitRatesView } from '@plesion/contract/calibration';
import type { Guide } from '@plesion/core/guide';
import { useQuery } from '@tanstack/react-query';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { Failed, Loading } from '../../ui/states';
import { Table } from '../../ui/Table';
import { Text } from '../../ui/Text';
import { useGuidesWhole } from '../records/useGuide';
import { sayRange } from './sayRange';
import { verificationApi } from './verificationApi';

/** Marks shown at once. */
const FIRST = 10;

interface HitRatesProps {
  query: Record<string, string>;
  guides: readonly { id: string; title: string }[];
}

/** How often marks, people and guides turned out right; what misleads most stands first. */
export function HitRates({ query, guides }: HitRatesProps) {
  const found = useQuery({
    queryKey: ['verifications', 'hitRates', query],
    queryFn: ({ signal }) => verificationApi('hitRates', { query }, signal),
    placeholderData: (before) => before,
  });
  const books = useGuidesWhole([...new Set(found.data?.marks.map(({ guideId }) => guideId))]);
  if (found.error) return <Failed error={found.error} retry={() => void found.refetch()} />;
  if (!found.data) return <Loading what="The marks" />;
  const { marks, observers, guides: byGuide } = found.data;
  const titleOf = (id: string) => guides.find((guide) => guide.id === id)?.title ?? 'a guide';
  return (
    <>
      <Card title="Marks, what misled most first">
        <Text quiet>
          Of the times that a mark pulled one way: how often it pulled to what the specimen was. Of a call that was right, against
          what came nearest.
        </Text>
        <MarkTable label="How often each mark was right" marks={marks.slice(0, FIRST)} books={books} />
        {marks.length > FIRST && (
          <Disclosure title={`The other ${marks.length - FIRST} marks`}>
            <MarkTable label="How often each of the other marks was right" marks={marks.slice(FIRST)} books={books} />
          </Disclosure>
        )}
      </Card>
      {observers.length > 1 && (
        <Card title="By whom">
          <Table
            label="How often each one’s names were right"
            columns={['Who', 'Right', 'In 100', 'Likely']}
            rows={observers.map((one) => [one.by, ...sayRate(one)])}
          />
        </Card>
      )}
      {byGuide.length > 1 && (
        <Card title="By guide">
          <Table
            label="How often each guide’s names were right"
            columns={['Guide', 'Right', 'In 100', 'Likely']}
            rows={byGuide.map((one) => [titleOf(one.guideId), ...sayRate(one)])}
          />
        </Card>
      )}
    </>
  );
}

interface MarkTableProps {
  label: string;
  marks: HitRatesView['marks'];
  books: readonly { id: string; guide: Guide }[];
}

const MarkTable = ({ label, marks, books }: MarkTableProps) => (
  <Table
    label={label}
    columns={['Mark', 'Right', 'In 100', 'Likely']}
    rows={marks.map((one) => [sayMark(books, one), ...sayRate(one)])}
  />
);

const sayRate = ({ n, hits, rate, low, high }: Omit<HitRatesView['guides'][number], 'guideId'>): string[] => [
  `${hits} of ${n}`,
  String(Math.round(100 * rate)),
  sayRange(low, high),
];

const sayMark = (books: readonly { id: string; guide: Guide }[], { guideId, character }: HitRatesView['marks'][number]): string =>
  books.find(({ id }) => id === guideId)?.guide.characters.find(({ id }) => id === character)?.label ?? character;
