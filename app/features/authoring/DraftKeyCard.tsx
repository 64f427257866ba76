import { schemas } from '@plesion/contract';
import { useRouter } from 'expo-router';
import { useJob } from '../../lib/useJob';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { JobState } from '../../ui/JobState';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { authoringApi } from './authoringApi';

const parse = (result: unknown) => schemas.KeyMade.parse(result);

/** A key made from a draft that could be published, in one press: where it is hard to tell two apart shows in it at once. */
export function DraftKeyCard({ id, flush }: { id: string; flush: () => Promise<void> }) {
  const router = useRouter();
  const job = useJob(
    async () => {
      await flush();
      return authoringApi('makeDraftKey', { params: { id }, body: { purpose: 'bench', confirm: 2 } });
    },
    parse,
    'keys',
  );
  const made = job.running ? undefined : job.result;
  return (
    <Card title="A key from this draft">
      <Text quiet>
        A key of all that the draft tells apart, at the bench. It stands by itself, and is walked without the guide.
      </Text>
      <JobState job={job} what="Making the key" refused="No key was made" stopped="Stopped; nothing was saved." />
      {made && <Text>{`${made.key.couplets.length} couplets, ${made.endpoints} endings.`}</Text>}
      <Row>
        {made && <Button kind="main" label="Open the key" onPress={() => router.push(`/keys/${made.keyId}`)} />}
        {/* One button all along, so that the focus has where to stay. */}
        <Button
          key="make"
          kind={made ? 'quiet' : 'plain'}
          label={made ? 'Make it again' : 'Make a key'}
          busy={job.running}
          onPress={() => job.begin(undefined)}
        />
      </Row>
    </Card>
  );
}
