import { sayDate } from '../../lib/dates';
import { pickFile } from '../../lib/files';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Icon } from '../../ui/Icon';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Empty, Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { WorkProgress } from '../../ui/WorkProgress';
import { inWords } from '../field/words';
import { useChecklists } from './useChecklists';

/** Names for what no guide has. */
export function ChecklistsScreen() {
  const { list, reading, remove } = useChecklists();
  const { result, problem, error, sent } = reading;
  return (
    <AsyncScreen
      what="The checklists"
      value={list.data?.checklists}
      error={list.data ? undefined : list.error}
      retry={() => void list.refetch()}
    >
      {(all) => (
        <Screen widest={720}>
          <PageHeading>Checklists</PageHeading>
          <Text quiet>
            Names by which anything that is met can be written down, guide or no guide: a CSV with a column scientificName, or a
            Darwin Core archive of taxa. Synonyms are followed; lists count what was written under either name once.
          </Text>
          {(error ?? remove.error) != null && <Failed error={error ?? remove.error} />}
          {problem && (
            <Notice kind="problem" title="The checklist could not be read">
              {problem.message}
            </Notice>
          )}
          {result && (
            <Notice kind="note" title={`Read in: ${result.file}`}>
              {[inWords(result.names, 'name'), inWords(result.synonyms, 'synonym'), ...result.notUnderstood].join('; ')}
            </Notice>
          )}
          {reading.running || sent !== undefined ? (
            <WorkProgress what="Reading the checklist" share={sent ?? reading.progress} onCancel={reading.stop} />
          ) : (
            <Row oneLine>
              <Button
                label="Import a checklist"
                icon={<Icon name="upload" size={18} color={colour.kelp} />}
                onPress={() =>
                  void pickFile('.csv,.tsv,.txt,.zip,text/csv,application/zip').then((file) => file && reading.begin(file))
                }
              />
            </Row>
          )}
          {all.length === 0 && <Empty title="None yet">Until there is one, names are written down as you write them.</Empty>}
          {all.map(({ id, file, names, synonyms, at, by, notUnderstood }) => (
            <Card
              key={id}
              title={file}
              aside={
                <Button
                  small
                  kind="quiet"
                  label="Delete"
                  hint={`Delete ${file}`}
                  busy={remove.isPending && remove.variables === id}
                  onPress={() => remove.mutate(id)}
                />
              }
            >
              <Text size="small">{`${inWords(names, 'name')}, ${inWords(synonyms, 'synonym')} · ${sayDate(at)} · ${by}`}</Text>
              {notUnderstood.map((one) => (
                <Text key={one} size="small" quiet>
                  {one}
                </Text>
              ))}
            </Card>
          ))}
        </Screen>
      )}
    </AsyncScreen>
  );
}
