import { asRequest, guessRoles, readTable, type Role, ROLES } from '@plesion/core/learn';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { pickFile } from '../../lib/files';
import { useKeptState } from '../../lib/useKeptState';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Disclosure } from '../../ui/Disclosure';
import { TextField } from '../../ui/TextField';
import { Icon } from '../../ui/Icon';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { Failed } from '../../ui/states';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { WorkProgress } from '../../ui/WorkProgress';
import { ColumnRoles } from './ColumnRoles';
import { LearnResult } from './LearnResult';
import { TablePreview } from './TablePreview';
import { TakeMeasured } from './TakeMeasured';
import { useLearn } from './useLearn';

/** A larger table is looked at in part here, and as a whole by the server. */
const PREVIEWED = 400_000;

/** Landmarks of morphometrics (TPS) begin with how many there are. */
const looksLikeTps = (text: string): boolean => /^\s*LM\s*=\s*\d/i.test(text);

/** What was put together so far; kept over a reload. */
const Typed = z.object({
  title: z.string(),
  csv: z.string(),
  roles: z.array(z.object({ name: z.string(), role: z.enum(ROLES) })),
});

/** Learn a guide from a table of labelled, measured specimens. */
export function LearnScreen() {
  const router = useRouter();
  const [{ title, csv, roles }, change, forget] = useKeptState('learn', Typed, { title: '', csv: '', roles: [] });
  const setRoles = (next: { name: string; role: Role }[]) => change({ roles: next });
  const learn = useLearn();
  const [unread, setUnread] = useState<string>();
  const takeTable = (text: string) => change({ csv: text, roles: guessRoles(text) });
  const take = (text: string) => {
    setUnread(undefined);
    if (!looksLikeTps(text)) return takeTable(text);
    void import('@plesion/core/formats').then(({ tpsTable }) => {
      const table = tpsTable(text);
      if (table.ok) takeTable(table.value);
      else setUnread(table.problems[0].message);
    });
  };
  const preview = useMemo(() => {
    if (!csv.trim()) return undefined;
    const part = csv.length > PREVIEWED ? csv.slice(0, csv.lastIndexOf('\n', PREVIEWED)) : csv;
    const { labels, ignore, kinds } = asRequest(roles);
    return readTable(part, labels, ignore, kinds);
  }, [csv, roles]);
  const ready = title.trim() !== '' && preview?.ok === true;

  const learned = learn.result !== undefined;
  useEffect(() => {
    if (learned) forget();
  }, [learned, forget]);
  if (learn.result) return <LearnResult result={learn.result} onOpen={(id) => router.replace(`/guides/${id}`)} />;
  return (
    <Screen
      foot={
        learn.running ? (
          <WorkProgress what="Learning" share={learn.progress} onCancel={() => learn.cancel()} />
        ) : (
          <Row gap="m" align="center" oneLine>
            <Text size="small" quiet fill>
              {ready ? 'Cross-validated on its own rows; a large table takes some seconds.' : sayMissing(title, csv)}
            </Text>
            <Button
              kind="main"
              label="Learn it"
              disabled={!ready}
              onPress={() => learn.begin({ title: title.trim(), csv, ...asRequest(roles) })}
            />
          </Row>
        )
      }
    >
      <PageHeading>Learn from a table</PageHeading>
      <Text quiet>
        One row a specimen, with a header. Say which columns name what it is; the lengths, counts and words of the others become
        its characters. Cells may be missing.
      </Text>
      {learn.error != null && <Failed error={learn.error} />}
      {learn.problem && (
        <Notice kind="problem" title="The table could not be learned from">
          {learn.problem.field ? `${learn.problem.message} (${learn.problem.field})` : learn.problem.message}
        </Notice>
      )}
      {learn.cancelled && <Notice kind="note">Stopped. Nothing was saved; the table is still here.</Notice>}
      <Card title="The table">
        <TextField
          label="Title of the guide"
          value={title}
          onChangeText={(next) => change({ title: next })}
          maxLength={120}
          placeholder="Twin cones of the lagoon, 2026"
        />
        <Row>
          <Button
            label="Choose a CSV or TPS file"
            icon={<Icon name="upload" size={18} color={colour.kelp} />}
            onPress={() => void pickFile('.csv,text/csv,.tsv,.txt,.tps').then(async (file) => file && take(await file.text()))}
          />
        </Row>
        <TextField
          label="or paste it"
          value={csv.length > 20_000 ? `${csv.slice(0, 2000)}\n…` : csv}
          editable={csv.length <= 20_000}
          onChangeText={take}
          multiline
          placeholder={'kind,length,width\nslender,41.2,21.9\nbroad,40.8,25.6'}
          hint={csv ? `${csv.split('\n').filter((line) => line.trim()).length - 1} rows` : undefined}
          paste={120}
        />
        {unread && (
          <Notice kind="problem" title="These landmarks cannot be read">
            {unread}
          </Notice>
        )}
        <Disclosure title="From what was measured here">
          <TakeMeasured onTable={takeTable} />
        </Disclosure>
        {csv !== '' && <Button small kind="quiet" label="Clear the table" onPress={() => take('')} />}
      </Card>
      {roles.length > 0 && <ColumnRoles roles={roles} columns={preview?.ok ? preview.value.columns : []} onChange={setRoles} />}
      {preview && !preview.ok && (
        <Notice kind="problem" title="Not yet a table to learn from">
          <View>
            {preview.problems.map((problem) => (
              <Text key={problem.message} size="small">
                {problem.message}
              </Text>
            ))}
          </View>
        </Notice>
      )}
      {preview?.ok && <TablePreview table={preview.value} partly={csv.length > PREVIEWED} />}
    </Screen>
  );
}

function sayMissing(title: string, csv: string): string {
  if (!csv.trim()) return 'Choose or paste a table first.';
  return title.trim() ? 'Say which columns name the specimens.' : 'Give the guide a title.';
}
