import { type KeyMade, type KeyMake, schemas } from '@plesion/contract';
import { formsOf, type Guide, taxonIndex } from '@plesion/core/guide';
import { KEY_PURPOSES, type KeyPurpose, sayPurpose } from '@plesion/core/keys';
import { useRouter } from 'expo-router';
import { z } from 'zod';
import { api } from '../../lib/api';
import { useJob } from '../../lib/useJob';
import { useKeptState } from '../../lib/useKeptState';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { TextField } from '../../ui/TextField';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { Failed } from '../../ui/states';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { WorkProgress } from '../../ui/WorkProgress';
import { WithGuide } from '../records/WithGuide';
import { PathsSheet } from './KeyPage';

const PURPOSES: Record<KeyPurpose, string> = { 'hands-off': 'without touching', field: 'in the field', bench: 'at the bench' };
const EXPLAINED: Record<KeyPurpose, string> = {
  'hands-off': 'Only characters that can be seen without coming close: for what must not be touched.',
  field: 'No instruments: what can be seen, touched or held.',
  bench: 'Every character, measurements and lens included.',
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

/** As it is put together; kept over a reload. */
const Typed = z.object({
  purpose: z.enum(KEY_PURPOSES),
  taxa: z.array(z.string()),
  prefer: z.array(z.string()),
  confirm: z.string(),
  title: z.string(),
});

function MakeForm({ guideId, guide }: { guideId: string; guide: Guide }) {
  const router = useRouter();
  const [{ purpose, taxa, prefer, confirm, title }, change] = useKeptState(`makeKey.${guideId}`, Typed, {
    purpose: 'bench',
    taxa: [],
    prefer: [],
    confirm: '2',
    title: '',
  });
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
          <Row gap="m" align="center" justify="end" oneLine>
            <Button label="Make another" onPress={job.again} />
            <Button kind="main" label="Open the key" onPress={() => router.replace(`/keys/${keyId}`)} />
          </Row>
        }
      >
        <PageHeading>{key.title}</PageHeading>
        <Text quiet>{`${key.couplets.length} couplets, ${job.result.endpoints} endings.`}</Text>
        <PathsSheet paths={job.result} />
      </Screen>
    );
  }
  return (
    <Screen
      foot={
        job.running ? (
          <WorkProgress what="Making the key" share={job.progress} onCancel={() => job.cancel()} />
        ) : (
          <Row gap="m" align="center" justify="end" oneLine>
            <Text size="small" quiet fill>
              {`${taxa.length || own.length} taxa, ${sayPurpose(purpose)}`}
            </Text>
            <Button kind="main" label="Make it" disabled={taxa.length === 1} onPress={begin} />
          </Row>
        )
      }
    >
      <PageHeading>Make a key</PageHeading>
      <Text
        quiet
      >{`From “${guide.title}”: at every couplet the character that leaves least to be told, with others that agree beside it.`}</Text>
      {job.error != null && <Failed error={job.error} />}
      {job.problem && (
        <Notice kind="problem" title="No key was made">
          {job.problem.message}
        </Notice>
      )}
      {job.cancelled && <Notice kind="note">Stopped. Nothing was saved.</Notice>}
      <Card title="What it is for">
        <ChoiceGroup
          label="Purpose"
          hideLabel
          options={KEY_PURPOSES.map((id) => ({ id, label: PURPOSES[id] }))}
          chosen={[purpose]}
          onChange={([next]) => change({ purpose: next })}
        />
        <Text size="small" quiet>
          {EXPLAINED[purpose]}
        </Text>
        <ChoiceGroup
          label="Confirming statements a lead, where others agree"
          options={['0', '1', '2', '3'].map((id) => ({ id, label: id }))}
          chosen={[confirm]}
          onChange={([next]) => change({ confirm: next })}
        />
        <TextField
          label="Title"
          value={title}
          maxLength={200}
          onChangeText={(next) => change({ title: next })}
          placeholder={`Key to ${guide.group}, ${sayPurpose(purpose)}`}
        />
      </Card>
      <Card
        title="Which taxa"
        aside={
          taxa.length ? <Button small kind="quiet" label="All of them" onPress={() => change({ taxa: [] })} /> : 'all of them'
        }
      >
        <ChoiceGroup
          label="Taxa"
          hideLabel
          many
          options={own.map((id) => ({ id, label: index.get(id)!.name }))}
          chosen={taxa}
          onChange={(next) => change({ taxa: next })}
        />
      </Card>
      <Card
        title="Characters to use first"
        aside={
          prefer.length ? (
            <Button small kind="quiet" label="No preference" onPress={() => change({ prefer: [] })} />
          ) : (
            'no preference'
          )
        }
      >
        <ChoiceGroup
          label="Characters"
          hideLabel
          many
          options={guide.characters.map(({ id, label }) => ({ id, label }))}
          chosen={prefer}
          onChange={(next) => change({ prefer: next })}
        />
      </Card>
    </Screen>
  );
}
