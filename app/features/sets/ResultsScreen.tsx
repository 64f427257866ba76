import type { SetResults, SetSource, SetWrite } from '@plesion/contract/sets';
import { type Guide, compiledFor } from '@plesion/core/guide';
import { type Item, practiceItem, sayChoice, sayGroup } from '@plesion/core/practice';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { DownloadButton } from '../../ui/DownloadButton';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Table } from '../../ui/Table';
import { Text } from '../../ui/Text';
import { planOf } from '../records/plans';
import { useGuide } from '../records/useGuide';
import { ItemRow } from './ItemRow';
import { csvUrl, setKey, SETS, setsApi, sheetUrl, sourceKey } from './setsApi';

/** How a set went, and what its teacher may do with it. */
export function ResultsScreen({ id }: { id: string }) {
  const source = useQuery({
    queryKey: sourceKey(id),
    queryFn: ({ signal }) => setsApi('practiceSetSource', { params: { id } }, signal),
  });
  const results = useQuery({
    queryKey: [...sourceKey(id), 'results'],
    queryFn: ({ signal }) => setsApi('practiceSetResults', { params: { id } }, signal),
    staleTime: 0,
  });
  const guide = useGuide(source.data?.guideId);
  const value = source.data && results.data && guide.data && { set: source.data, found: results.data, guide: guide.data.guide };
  const failed = [source, results, guide].find(({ error }) => error);
  return (
    <AsyncScreen what="Results" value={value} error={failed?.error ?? undefined} retry={() => void failed?.refetch()}>
      {({ set, found, guide: own }) => (
        <Screen widest={860}>
          <PageHeading>{`Results: ${set.title}`}</PageHeading>
          <Text quiet>
            {`${own.title} · ${set.kind === 'test' ? 'a test' : 'for a lesson'} · ${set.items.length} items${set.minutes === undefined ? '' : ` · ${set.minutes} min`}`}
          </Text>
          <SetActs set={set} again={() => void results.refetch()} />
          <Learners results={found} items={set.items.length} />
          <Items set={set} results={found} guide={own} />
          <Confusions results={found} guide={own} />
        </Screen>
      )}
    </AsyncScreen>
  );
}

/** A set as it would be written again, with something of it changed. */
const written = ({
  version,
  title,
  guideId,
  guideVersion,
  kind,
  minutes,
  items,
  given,
  closed,
  told,
  hidden,
}: SetSource): SetWrite => ({
  ...{ version, title, guideId, guideVersion, kind, items, given, closed, told, hidden },
  ...(minutes === undefined ? {} : { minutes }),
});

function SetActs({ set, again }: { set: SetSource; again: () => void }) {
  const { id, given, closed, told, kind } = set;
  const client = useQueryClient();
  const change = useMutation({
    mutationFn: (part: Partial<SetWrite>) => setsApi('writePracticeSet', { params: { id }, body: { ...written(set), ...part } }),
    onSuccess: (now) => {
      client.setQueryData(sourceKey(id), now);
      void client.invalidateQueries({ queryKey: SETS, exact: true });
      void client.invalidateQueries({ queryKey: setKey(id), exact: true });
    },
  });
  return (
    <Card title="The set">
      <Text>
        {!given
          ? 'Not handed out yet: learners do not see it.'
          : closed
            ? 'Closed: nobody begins or answers any more.'
            : 'Given: send the address of the set to your group, or let them find it under Practice.'}
      </Text>
      <Row gap="m" align="center">
        {!given && (
          <Button kind="main" label="Hand it out" busy={change.isPending} onPress={() => change.mutate({ given: true })} />
        )}
        {given && (
          <Button
            label={closed ? 'Open it again' : 'Close it'}
            busy={change.isPending}
            onPress={() => change.mutate({ closed: !closed })}
          />
        )}
        {kind === 'test' && (
          <Button
            label={told ? 'Hold the answers back' : 'Tell what each was'}
            busy={change.isPending}
            onPress={() => change.mutate({ told: !told })}
          />
        )}
        <Button kind="quiet" label="Look again for answers" onPress={again} />
      </Row>
      {change.error && <Notice kind="problem">{change.error.message}</Notice>}
      <Row gap="m" align="center">
        <DownloadButton label="Sheet, A4" hint="Sheet, A4: the set to print" url={() => sheetUrl(id, 'a4')} />
        <DownloadButton label="Sheet, A5" hint="Sheet, A5: the set to print" url={() => sheetUrl(id, 'a5')} />
        <DownloadButton label="Answers, CSV" hint="Answers, CSV: every answer as a table" url={() => csvUrl(id)} />
      </Row>
      <Row gap="m" align="center">
        <LinkBox href={`/practice/sets/${id}`} justify="center" shrink>
          <Text strong color={colour.kelp}>
            Take it yourself
          </Text>
        </LinkBox>
        <LinkBox href={`/practice/sets/new?from=${id}`} justify="center" shrink>
          <Text strong color={colour.kelp}>
            {set.begun > 0 ? 'Make another from it' : 'Change its items'}
          </Text>
        </LinkBox>
      </Row>
    </Card>
  );
}

const sayTime = (seconds: number): string => (seconds < 90 ? `${Math.round(seconds)} s` : `${Math.round(seconds / 60)} min`);

function Learners({ results: { learners }, items }: { results: SetResults; items: number }) {
  return (
    <Card title="By learner" aside={learners.length === 1 ? 'one began' : `${learners.length} began`}>
      {learners.length === 0 ? (
        <Text quiet>Nobody has begun it yet.</Text>
      ) : (
        <Table
          label="By learner"
          columns={['Learner', 'Right', 'Answered', 'Better than chance', 'Took']}
          rows={learners.map((one) => [
            one.name,
            String(one.right),
            `${one.answered} of ${items}`,
            one.answered > 0 ? `${one.bits.toFixed(1)} bits` : '',
            one.answered > 0 ? sayTime(one.seconds) : '',
          ])}
        />
      )}
    </Card>
  );
}

/** Each item with how it went, as it is drawn. */
function Items({ set, results, guide }: { set: SetSource; results: SetResults; guide: Guide }) {
  const items = useMemo(
    () => set.items.map(({ asked, seed }) => practiceItem(compiledFor(guide, asked.situation), planOf(guide)!, asked, seed)),
    [set, guide],
  );
  return (
    <Card title="By item">
      {items.map(
        (item, n) =>
          item && <ItemLine key={n} n={n} item={item} guide={guide} found={results.items.find((one) => one.n === n)} />,
      )}
    </Card>
  );
}

interface ItemLineProps {
  n: number;
  item: Item;
  guide: Guide;
  found?: SetResults['items'][number];
}

function ItemLine({ n, item, guide, found }: ItemLineProps) {
  const name = (id: string) => sayChoice(guide, item, id);
  return (
    <ItemRow guide={guide} item={item}>
      <Text strong>{`${n + 1}: ${name(item.truth.group)}`}</Text>
      <Text size="small">{found ? `${found.right} of ${found.answered} right` : 'not answered yet'}</Text>
      {found && found.said.length > 0 && (
        <Text size="small" quiet>
          {`Said instead: ${found.said.map(({ group, n: times }) => `${group ? name(group) : 'cannot be told'} ${times}`).join(', ')}`}
        </Text>
      )}
      {item.truth.best.kind !== 'one' && (
        <Text size="small" quiet>
          It cannot be told from this picture alone.
        </Text>
      )}
    </ItemRow>
  );
}

function Confusions({ results: { confused }, guide }: { results: SetResults; guide: Guide }) {
  if (!confused.length) return null;
  const name = (id: string) => sayGroup(guide, { id, label: guide.taxa.find((taxon) => taxon.id === id)?.name ?? id });
  return (
    <Card title="What was taken for what">
      <Table
        label="What was taken for what"
        columns={['It was', 'They said', 'Times']}
        rows={confused.map(({ truth, said, n }) => [name(truth), name(said), String(n)])}
      />
    </Card>
  );
}
