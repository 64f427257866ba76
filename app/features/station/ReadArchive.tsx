import { RequestProblem } from '@plesion/contract';
import { pickFile } from '../../lib/files';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Icon } from '../../ui/Icon';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { WorkProgress } from '../../ui/WorkProgress';
import { sayContent } from './content';
import { useReadArchive } from './useArchive';

/** The other way: an archive becomes what a new station holds. */
export function ReadArchive({ fresh, reading }: { fresh: boolean; reading?: string }) {
  const read = useReadArchive(reading);
  const stopped = read.error instanceof RequestProblem && read.error.body.code === 'stopped';
  if (read.result) {
    return (
      <Notice kind="note" title={`Imported: ${read.result.from}`}>
        {sayContent(read.result.content)}
      </Notice>
    );
  }
  return (
    <Stack ruled="above" ruledIn="hairline" padTop="m">
      <Text strong>Import an archive</Text>
      {read.error != null && !stopped && <Failed error={read.error} />}
      {read.problem && (
        <Notice kind="problem" title="The archive was not imported">
          {read.problem.message}
        </Notice>
      )}
      {(read.cancelled || stopped) && <Notice kind="note">Stopped. Nothing was imported.</Notice>}
      {read.running ? (
        <WorkProgress
          what={read.sent === undefined ? 'Importing' : 'Uploading'}
          share={read.sent ?? read.progress}
          onCancel={read.stop}
        />
      ) : fresh ? (
        <Row gap="m" align="center">
          <Text quiet size="small" fill={240}>
            Nothing was written in this station yet, so the archive of another station can be imported: it replaces what this one
            began with.
          </Text>
          <Button
            label="Choose an archive"
            icon={<Icon name="upload" size={18} color={colour.kelp} />}
            onPress={() => void pickFile('.zip,application/zip').then((file) => file && read.begin(file))}
          />
        </Row>
      ) : (
        <Text quiet size="small">
          This station has records of its own. To import an archive, make a new station first, and import it there.
        </Text>
      )}
    </Stack>
  );
}
