import type { ImportMade } from '@plesion/contract';
import { sayDate } from '../../lib/dates';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { useImports } from './useImport';

/** What was read in before; each goes as it came, as one. */
export function ImportsBefore() {
  const { list, back } = useImports();
  const all = list.data?.imports ?? [];
  if (list.error) return <Failed error={list.error} retry={() => void list.refetch()} />;
  if (!all.length) return null;
  return (
    <Card title="Read in before">
      {back.error && <Failed error={back.error} />}
      {back.data && (
        <Notice kind="note">
          {`${back.data.captures} captures were removed.${back.data.kept ? ` ${back.data.kept} stay: they were changed since.` : ''} Read the file in again to have them.`}
        </Notice>
      )}
      {all.map((made) => (
        <ImportRow
          key={made.id}
          made={made}
          busy={back.isPending && back.variables === made.id}
          onBack={() => back.mutate(made.id)}
        />
      ))}
    </Card>
  );
}

function ImportRow({ made, busy, onBack }: { made: ImportMade; busy: boolean; onBack: () => void }) {
  return (
    <Row gap="m" align="center" padTop="xs" ruled="above" oneLine>
      <Box fill>
        <Text strong>{made.file}</Text>
        <Text size="small" quiet>
          {[
            `${made.captures} captures of ${made.visits} visits`,
            sayDate(made.at),
            made.by,
            made.takenBackAt && `undone on ${sayDate(made.takenBackAt)}`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Text>
      </Box>
      {!made.takenBackAt && <Button small label="Undo" hint={`Undo ${made.file}`} busy={busy} onPress={onBack} />}
    </Row>
  );
}
