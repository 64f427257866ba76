import type { ImportTried } from '@plesion/contract';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { pickFile } from '../../lib/files';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Icon } from '../../ui/Icon';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { WorkProgress } from '../../ui/WorkProgress';
import { inWords } from '../field/words';
import { useField } from '../field/useField';
import { useGuide, useGuides } from '../records/useGuide';
import { ImportColumns } from './ImportColumns';
import { ImportDefaults } from './ImportDefaults';
import { ImportLines } from './ImportLines';
import { ImportsBefore } from './ImportsBefore';
import { ImportWords } from './ImportWords';
import { type Importing, useImport } from './useImport';

/** Fieldwork of earlier years: a file is tried, told otherwise, and read in as one. */
export function ImportScreen() {
  const importing = useImport();
  const { tried, how, change, trying, reading } = importing;
  const guides = useGuides().data?.guides ?? [];
  const guide = useGuide(how?.guideId).data?.guide;
  const families = useField().field?.view.sheets[0]?.families ?? [];
  const problem = trying.problem ?? reading.problem;
  const error = trying.error ?? reading.error;
  const working = trying.running || reading.running;
  return (
    <Screen widest={860} foot={footOf(importing)}>
      <PageHeading>Earlier years</PageHeading>
      <Text quiet>
        A table of captures as CSV, or a Darwin Core archive. It is tried first: nothing is stored until you have seen how it was
        understood, and an import can be undone as one.
      </Text>
      {error != null && <Failed error={error} />}
      {problem && (
        <Notice kind="problem" title="The file could not be read">
          {problem.message}
        </Notice>
      )}
      {(trying.cancelled || reading.cancelled) && <Notice kind="note">Stopped. Nothing was stored.</Notice>}
      {reading.result ? (
        <Read importing={importing} />
      ) : (
        <Card title="The file" aside={tried?.file}>
          {tried && <Understood tried={tried} />}
          <Row>
            <Button
              label={tried ? 'Another file' : 'Choose a CSV or an archive'}
              icon={<Icon name="upload" size={18} color={colour.kelp} />}
              disabled={working || trying.sent !== undefined}
              onPress={() =>
                void pickFile('.csv,.tsv,.txt,.zip,text/csv,application/zip').then((file) => file && importing.send(file))
              }
            />
          </Row>
        </Card>
      )}
      {tried && how && !reading.result && (
        <>
          {(tried.words.length > 0 || (how.words?.length ?? 0) > 0) && (
            <ImportWords
              words={tried.words}
              said={how.words ?? []}
              guide={guide}
              family={how.family}
              families={families}
              onChange={(words) => change({ words })}
            />
          )}
          {(tried.wrongLines > 0 || how.leaveWrong) && <ImportLines tried={tried} how={how} onChange={change} />}
          <ImportDefaults how={how} guides={guides} families={families} onChange={change} />
          <ImportColumns
            tried={tried}
            columns={how.columns ?? tried.how.columns ?? []}
            guide={guide}
            onChange={(columns) => change({ columns })}
          />
        </>
      )}
      <ImportsBefore />
    </Screen>
  );
}

/** What came of the dry run: how many of what, the first captures, and what was not taken. */
function Understood({ tried }: { tried: ImportTried }) {
  const { captures, visits, sites, there, leftOut, rows, sample, notUnderstood, encoding } = tried;
  const sums = [
    inWords(rows, 'row'),
    inWords(captures, 'capture'),
    inWords(visits, 'visit'),
    sites ? inWords(sites, 'new site') : 'at sites that are there',
    there && `${there} are in the station already`,
    leftOut && `${leftOut} lines are left out`,
    encoding === 'windows-1252' && 'read as Latin-1',
  ];
  return (
    <>
      <Text strong>{sums.filter(Boolean).join(' · ')}</Text>
      {sample.length > 0 && (
        <View role="list" aria-label="The first captures">
          {sample.map(({ line, says }) => (
            <Row key={line} role="listitem" padY="hair" ruled="above" oneLine>
              <Text size="small" quiet figures wide={44}>
                {line}
              </Text>
              <Text size="small" fill>
                {says}
              </Text>
            </Row>
          ))}
        </View>
      )}
      {notUnderstood.length > 0 && (
        <Notice kind="note" title="Not taken">
          {notUnderstood.join('; ')}
        </Notice>
      )}
    </>
  );
}

function Read({ importing: { reading, clear } }: { importing: Importing }) {
  const router = useRouter();
  const { file, captures, visits } = reading.result!;
  return (
    <Notice
      kind="note"
      title={`Read in: ${file}`}
      action={
        <Row>
          <Button small label="To Field" onPress={() => router.push('/field')} />
          <Button small kind="quiet" label="Another file" onPress={clear} />
        </Row>
      }
    >
      {`${captures} captures of ${visits} visits are in the station. The import can be undone below, as one.`}
    </Notice>
  );
}

/** The one thing to do next. */
function footOf({ tried, changed, trying, reading, again }: Importing) {
  const { sent, stop } = trying;
  if (sent !== undefined && sent < 1) return <WorkProgress what="Sending the file" share={sent} onCancel={stop} />;
  if (trying.running) return <WorkProgress what="Trying it" share={trying.progress} onCancel={stop} />;
  if (reading.running) return <WorkProgress what="Reading it in" share={reading.progress} onCancel={() => reading.cancel()} />;
  if (!tried || reading.result) return undefined;
  if (changed)
    return (
      <Row gap="m" align="center" oneLine>
        <Text size="small" quiet fill>
          Said otherwise, not tried yet.
        </Text>
        <Button kind="main" label="Try it so" onPress={() => again()} />
      </Row>
    );
  const ready = tried.wrongLines === 0 && tried.captures > 0;
  return (
    <Row gap="m" align="center" oneLine>
      <Text size="small" quiet fill>
        {ready
          ? 'All of it is stored, or nothing.'
          : tried.wrongLines
            ? `${tried.wrongLines === 1 ? 'One line has' : `${tried.wrongLines} lines have`} something wrong: mend that above, or leave them out.`
            : 'There is nothing in it that is not in the station.'}
      </Text>
      <Button
        kind="main"
        label={`Read in ${inWords(tried.captures, 'capture')}`}
        disabled={!ready}
        onPress={() => reading.begin(tried.id)}
      />
    </Row>
  );
}
