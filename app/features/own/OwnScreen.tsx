import type { StoredGuide } from '@plesion/contract';
import type { OwnView } from '@plesion/contract/own';
import type { OwnCell } from '@plesion/core/own';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useAddress } from '../../lib/useAddress';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { Text } from '../../ui/Text';
import { WithGuide } from '../records/WithGuide';
import { useSession } from '../session/useSession';
import { OwnCellRow } from './OwnCellRow';
import { ProposeCorrection } from './ProposeCorrection';
import { ownApi } from './ownApi';

/** Specimens that the books count as, to choose from. */
const WEIGHTS = ['3', '10', '30', '100'] as const;

/** Shown at once of those that go with the books. */
const ROWS = 40;

/** What the station's own verified records say of a guide, where they pull away from the books, and whether they are followed. */
export function OwnScreen({ id }: { id: string }) {
  return (
    <WithGuide id={id} what="The guide">
      {(stored) => <Own id={id} stored={stored} />}
    </WithGuide>
  );
}

function Own({ id, stored }: { id: string; stored: StoredGuide }) {
  const [{ weight = '10' }, setAddress] = useAddress(['weight'], 0);
  const chosen = WEIGHTS.find((one) => one === weight) ?? '10';
  const found = useQuery({
    queryKey: ['own', id, chosen],
    queryFn: ({ signal }) => ownApi('ownRecords', { params: { id }, query: { weight: Number(chosen) } }, signal),
    placeholderData: (before) => before,
  });
  return (
    <AsyncScreen what="Our own records" value={found.data} error={found.error} retry={() => void found.refetch()}>
      {(view) => {
        const pulled = view.cells.filter(({ pulls }) => pulls);
        const alike = view.cells.filter(({ pulls }) => !pulls);
        return (
          <Screen widest={860}>
            <PageHeading title={`Our own records, ${stored.guide.title}`}>Our own records</PageHeading>
            <Text quiet>
              {`${stored.guide.title}: what was read of ${view.specimens} ${view.specimens === 1 ? 'specimen' : 'specimens'} of which it is known what they were, beside what the books say.`}
            </Text>
            {view.cells.length === 0 ? (
              <Empty title="Too few yet">
                Five specimens of a kind on which a mark was read are needed. Say on a specimen’s page how it turned out.
              </Empty>
            ) : (
              <>
                <Cells
                  title="They pull away from the books"
                  none="Nowhere: they go with the books."
                  cells={pulled}
                  stored={stored}
                  actionOf={(cell) => <ProposeCorrection stored={stored} cell={cell} weight={Number(chosen)} />}
                />
                <Follow id={id} view={view} weight={Number(chosen)} />
                <Card title="The books count as">
                  <ChoiceGroup
                    label="Specimens that the books count as"
                    options={WEIGHTS.map((one) => ({ id: one, label: `${one} specimens` }))}
                    chosen={[chosen]}
                    onChange={([one]) => setAddress({ weight: one })}
                  />
                </Card>
                {alike.length > 0 && (
                  <Disclosure title={`They go with the books (${alike.length})`}>
                    <Cells title="They go with the books" cells={alike.slice(0, ROWS)} stored={stored} />
                    {alike.length > ROWS && <Text size="small" quiet>{`and ${alike.length - ROWS} more`}</Text>}
                  </Disclosure>
                )}
                <Text size="small" quiet>
                  Which specimens were verified was not left to chance: the hard ones are looked at more often. They are said to
                  pull away where the books would have it so in fewer than one of a hundred stations; with many marks a few do so
                  by chance.
                </Text>
              </>
            )}
          </Screen>
        );
      }}
    </AsyncScreen>
  );
}

interface CellsProps {
  title: string;
  none?: string;
  cells: readonly OwnCell[];
  stored: StoredGuide;
  actionOf?: (cell: OwnCell) => ReactNode;
}

function Cells({ title, none, cells, stored: { guide }, actionOf }: CellsProps) {
  return (
    <Card title={title} aside={cells.length ? String(cells.length) : undefined}>
      {cells.length === 0 && <Text quiet>{none}</Text>}
      {cells.map((cell) => (
        <OwnCellRow
          key={`${cell.taxon} ${JSON.stringify(cell.facets)} ${cell.character}`}
          cell={cell}
          guide={guide}
          action={actionOf?.(cell)}
        />
      ))}
    </Card>
  );
}

const NOW: Record<'followed' | 'beside' | 'none', string> = {
  followed: 'They are followed in this guide, before the books.',
  beside: 'They are kept in this guide beside the books, and not followed unless one chooses so for a specimen.',
  none: 'They are no source of this guide yet.',
};

/** Whether they are a source of the guide; each choice makes a new version of it. */
function Follow({ id, view, weight }: { id: string; view: OwnView; weight: number }) {
  const { role } = useSession().account;
  const client = useQueryClient();
  const follow = useMutation({
    mutationFn: (followed: 'followed' | 'beside' | 'none') =>
      ownApi('followOwnRecords', { params: { id }, body: { version: view.version, followed, weight } }),
    onSettled: () =>
      Promise.all(
        [
          ['own', id],
          ['guide', id],
        ].map((queryKey) => client.invalidateQueries({ queryKey })),
      ),
  });
  const now = view.followed ?? 'none';
  return (
    <Card title="As a source of the guide">
      <Text>{NOW[now]}</Text>
      {role !== 'learner' && (
        <Row>
          <Button
            label={now === 'followed' ? 'Update them' : 'Follow them'}
            busy={follow.isPending && follow.variables === 'followed'}
            onPress={() => follow.mutate('followed')}
          />
          <Button
            label="Add them, left out"
            busy={follow.isPending && follow.variables === 'beside'}
            onPress={() => follow.mutate('beside')}
          />
          {now !== 'none' && (
            <Button
              kind="quiet"
              label="Remove them"
              busy={follow.isPending && follow.variables === 'none'}
              onPress={() => follow.mutate('none')}
            />
          )}
        </Row>
      )}
      {follow.error && <Notice kind="problem">{follow.error.message}</Notice>}
      <Text size="small" quiet>
        Each makes a new version of the guide: names given before stand on the version they were given with. What is verified
        later does not come in by itself.
      </Text>
    </Card>
  );
}
