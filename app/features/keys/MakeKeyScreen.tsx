import { type KeyMade, type KeyMake, schemas } from '@plesion/contract';
import { formsOf, type Guide, taxonIndex } from '@plesion/core/guide';
import { KEY_PURPOSES, type KeyPurpose, sayPurpose } from '@plesion/core/keys';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { api } from '../../lib/api';
import { useJob } from '../../lib/useJob';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Entry } from '../../ui/Entry';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Sheet } from '../../ui/Sheet';
import { Failed } from '../../ui/states';
import { Words } from '../../ui/Words';
import { WorkProgress } from '../../ui/WorkProgress';
import { WithGuide } from '../records/WithGuide';
import { PathsSheet } from './KeyPage';

const PURPOSES: Record<KeyPurpose, string> = { 'hands-off': 'without touching', field: 'in the field', bench: 'at the bench' };
const EXPLAINED: Record<KeyPurpose, string> = {
  'hands-off': 'Only marks that can be seen without coming close: for what must not be touched.',
  field: 'No instruments: what can be seen, touched or held.',
  bench: 'Every mark, measurements and lens included.',
};

/** Have a key made from a guide: what for, which taxa, how many confirming statements. */
export function MakeKeyScreen({ guideId }: { guideId: string }) {
  return (
    <WithGuide id={guideId} what="The guide">
      {(stored) => <MakeForm guideId={guideId} guide={stored.guide} />}
    </WithGuide>
  );
}

const parse = (result: unknown): KeyMade => schemas.KeyMade.parse(result);

function MakeForm({ guideId, guide }: { guideId: string; guide: Guide }) {
  const router = useRouter();
  const [purpose, setPurpose] = useState<KeyPurpose>('bench');
  const [taxa, setTaxa] = useState<string[]>([]);
  const [prefer, setPrefer] = useState<string[]>([]);
  const [confirm, setConfirm] = useState('2');
  const [title, setTitle] = useState('');
  const job = useJob((body: KeyMake) => api('makeKey', { params: { id: guideId }, body }), parse, 'keys');
  const index = taxonIndex(guide);
  const own = [...new Set(formsOf(guide).flatMap(({ taxon, cross }) => (cross ? [] : [taxon])))];
  const begin = () =>
    job.begin({
      purpose,
      confirm: Number(confirm),
      ...(taxa.length ? { forms: taxa } : {}),
      ...(prefer.length ? { prefer } : {}),
      ...(title.trim() ? { title: title.trim() } : {}),
    });
  if (job.result) {
    const { keyId, key } = job.result;
    return (
      <Screen
        foot={
          <View style={styles.foot}>
            <Button label="Make another" onPress={job.again} />
            <Button kind="main" label="Open the key" onPress={() => router.replace(`/keys/${keyId}`)} />
          </View>
        }
      >
        <Words size="display" heading={1}>
          {key.title}
        </Words>
        <Words quiet>{`${key.couplets.length} couplets, ${job.result.endpoints} endings.`}</Words>
        <PathsSheet making={job.result} />
      </Screen>
    );
  }
  return (
    <Screen
      foot={
        job.running ? (
          <WorkProgress what="Making the key" share={job.progress} onCancel={() => job.cancel()} />
        ) : (
          <View style={styles.foot}>
            <Words size="small" quiet style={styles.grow}>
              {`${taxa.length || own.length} taxa, ${sayPurpose(purpose)}`}
            </Words>
            <Button kind="main" label="Make it" disabled={taxa.length === 1} onPress={begin} />
          </View>
        )
      }
    >
      <Words size="display" heading={1}>
        Make a key
      </Words>
      <Words
        quiet
      >{`From “${guide.title}”: at every couplet the mark that leaves least to be told, with others that agree beside it.`}</Words>
      {job.error != null && <Failed error={job.error} />}
      {job.problem && (
        <Notice kind="problem" title="No key was made">
          {job.problem.message}
        </Notice>
      )}
      {job.cancelled && <Notice kind="note">Stopped. Nothing was saved.</Notice>}
      <Sheet title="What it is for">
        <Choice
          label="Purpose"
          hideLabel
          options={KEY_PURPOSES.map((id) => ({ id, label: PURPOSES[id] }))}
          chosen={[purpose]}
          onChange={([next]) => setPurpose(next)}
        />
        <Words size="small" quiet>
          {EXPLAINED[purpose]}
        </Words>
        <Choice
          label="Confirming statements a lead, where others agree"
          options={['0', '1', '2', '3'].map((id) => ({ id, label: id }))}
          chosen={[confirm]}
          onChange={([next]) => setConfirm(next)}
        />
        <Entry
          label="Title"
          value={title}
          maxLength={200}
          onChangeText={setTitle}
          placeholder={`Key to ${guide.group}, ${sayPurpose(purpose)}`}
        />
      </Sheet>
      <Sheet
        title="Which taxa"
        aside={taxa.length ? <Button small kind="quiet" label="All of them" onPress={() => setTaxa([])} /> : 'all of them'}
      >
        <Choice
          label="Taxa"
          hideLabel
          many
          options={own.map((id) => ({ id, label: index.get(id)!.name }))}
          chosen={taxa}
          onChange={setTaxa}
        />
      </Sheet>
      <Sheet
        title="Marks to use first"
        aside={
          prefer.length ? <Button small kind="quiet" label="No preference" onPress={() => setPrefer([])} /> : 'no preference'
        }
      >
        <Choice
          label="Marks"
          hideLabel
          many
          options={guide.characters.map(({ id, label }) => ({ id, label }))}
          chosen={prefer}
          onChange={setPrefer}
        />
      </Sheet>
    </Screen>
  );
}

const styles = StyleSheet.create({
  foot: { flexDirection: 'row', alignItems: 'center', gap: space.m, justifyContent: 'flex-end' },
  grow: { flex: 1 },
});
