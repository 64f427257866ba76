import type { GuideRow, PracticeStanding } from '@plesion/contract';
import { dueOf } from '@plesion/core/practice';
import { useEffect, useMemo } from 'react';
import { sayDate } from '../../lib/dates';
import { whenIdle } from '../../lib/whenIdle';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { Text } from '../../ui/Text';
import { fetchAhead, useGuides } from '../records/useGuide';
import { useStanding } from './useStanding';

/** Guides fetched before one of them is chosen. */
const AHEAD = 8;

/** Where one trains the eye: what is due, and with which guide. */
export function PracticePlace() {
  const guides = useGuides();
  const { standing, memories } = useStanding();
  const due = useMemo(() => dueOf(memories, new Date()), [memories]);
  const rows = guides.data?.guides;
  // One of them will be practised with next: what it takes is here before it is chosen.
  useEffect(() => {
    if (!rows) return;
    return whenIdle(() => {
      void rows.slice(0, AHEAD).reduce(async (before, { id }) => before.then(() => fetchAhead(id)), Promise.resolve());
    });
  }, [rows]);
  const value = guides.data && standing && { rows: guides.data.guides, standing };
  return (
    <AsyncScreen what="Practice" value={value} error={value ? undefined : guides.error} retry={() => void guides.refetch()}>
      {({ rows: all, standing: now }) => (
        <Screen widest={720}>
          <PageHeading>Practice</PageHeading>
          <Text quiet>
            Individuals that nobody has seen before, drawn from the guides’ scores: say what each is and how sure you are, and see
            why.
          </Text>
          {all.length === 0 && <Empty title="No guide yet">Practice is drawn from a guide: import one first.</Empty>}
          {due.length > 0 && (
            <Card title="Due now" aside={due.length === 1 ? 'one thing' : `${due.length} things`}>
              {all
                .map((row) => ({ row, n: due.filter(({ guideId }) => guideId === row.id).length }))
                .filter(({ n }) => n > 0)
                .map(({ row, n }) => (
                  <LinkBox key={row.id} href={`/guides/${row.id}/practice`} justify="center" padY="s">
                    <Text strong color={colour.kelp}>
                      {row.title}
                    </Text>
                    <Text size="small" quiet>
                      {n === 1 ? 'one pair or mark' : `${n} pairs and marks`}
                    </Text>
                  </LinkBox>
                ))}
            </Card>
          )}
          {now.memories.length > 0 && due.length === 0 && (
            <Text quiet>{`Nothing is due until ${sayDate(now.memories.map(({ card }) => card.due).sort()[0], 'minute')}.`}</Text>
          )}
          <LinkBox href="/practice/sets" justify="center">
            <Text strong color={colour.kelp}>
              Sets: put together for a group, for a lesson or as a test
            </Text>
          </LinkBox>
          <Card title="With a guide">
            {all.map((row) => (
              <GuideLine key={row.id} row={row} own={now.guides.find(({ guideId }) => guideId === row.id)} />
            ))}
          </Card>
        </Screen>
      )}
    </AsyncScreen>
  );
}

function GuideLine({ row, own }: { row: GuideRow; own?: PracticeStanding['guides'][number] }) {
  return (
    <Row gap="m" lineGap="none" align="center" ruled="above">
      <LinkBox href={`/guides/${row.id}/practice`} justify="center" fill={200} padY="s">
        <Text strong color={colour.kelp}>
          {row.title}
        </Text>
        <Text size="small" quiet>
          {own ? `${own.right} of ${own.answers} right` : 'not practised yet'}
        </Text>
      </LinkBox>
      {own && (
        <LinkBox href={`/practice/${row.id}`} label={`How it stands: ${row.title}`} justify="center">
          <Text size="small" strong color={colour.kelp}>
            How it stands
          </Text>
        </LinkBox>
      )}
    </Row>
  );
}
