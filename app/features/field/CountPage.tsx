import type { Count, CountWrite } from '@plesion/contract';
import type { Draft } from '../../lib/draft';
import { sayDate } from '../../lib/dates';
import { useDraftOf } from '../../lib/useDraftOf';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { countDrafts, fieldApi } from '../records/fieldDrafts';
import { RecordTrouble } from '../records/SavingTrouble';
import { useSession } from '../session/useSession';
import { sayCount } from './countWords';
import { FlockCount } from './FlockCount';
import { InventoryCount } from './InventoryCount';
import { TransectCount } from './TransectCount';

export interface CountProps {
  /** Of the count: what is half typed is kept by it. */
  id: string;
  content: CountWrite;
  change: (next: (content: CountWrite) => CountWrite) => void;
}

/** A count under way, or one that was made. */
export function CountPage({ id }: { id: string }) {
  const { draft, state, error, refetch } = useDraftOf(countDrafts, useSession().station.id, id, 'count', (signal) =>
    fieldApi('count', { params: { id } }, signal),
  );
  return (
    <AsyncScreen what="The count" value={draft && state ? { draft, state } : undefined} error={error} retry={refetch}>
      {(open) => (
        <Screen
          widest={860}
          foot={
            <Row align="center" justify="end" oneLine>
              <Text fill strong figures>
                {sayCount(open.state.content)}
              </Text>
              <Button label="Undo" hint="Undo the last" disabled={!open.state.canUndo} onPress={open.draft.undo} />
            </Row>
          }
        >
          <PageHeading title={open.state.content.label}>{open.state.content.label}</PageHeading>
          <Text quiet>{`${sayDate(open.state.content.at, 'minute')} · ${open.state.content.by}`}</Text>
          <RecordTrouble
            draft={open.draft}
            state={open.state}
            what="count"
            sayThere={(stored) => `There it comes to ${sayCount(stored)}.`}
            offline="The count is kept on this device and sent when the server can be reached."
          />
          <Body id={id} content={open.state.content} draft={open.draft} />
        </Screen>
      )}
    </AsyncScreen>
  );
}

function Body({ id, content, draft }: { id: string; content: CountWrite; draft: Draft<CountWrite, Count> }) {
  const { change } = draft;
  const props: CountProps = { id, content, change };
  return (
    <>
      {content.kind === 'inventory' && <InventoryCount {...props} />}
      {content.kind === 'transect' && <TransectCount {...props} />}
      {content.kind === 'flock' && <FlockCount {...props} />}
      <Card title="In passing">
        <TextField
          label="Note"
          value={content.note ?? ''}
          onChangeText={(note) => change((now) => ({ ...now, note: note || undefined }))}
          multiline
          maxLength={2000}
        />
        <Row align="center" justify="end" oneLine>
          <Button
            small
            kind="quiet"
            label={content.hidden ? 'Restore the count' : 'Remove the count'}
            onPress={() => change((now) => ({ ...now, hidden: !now.hidden }))}
          />
        </Row>
      </Card>
    </>
  );
}
