import { urlOf } from '@plesion/contract';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { DownloadButton } from '../../ui/DownloadButton';
import { JobState } from '../../ui/JobState';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { ReadArchive } from './ReadArchive';
import { sayContent } from './content';
import { sayBytes } from './sizes';
import { useMakeArchive } from './useArchive';
import { useStation } from './useStation';

/** Everything in the station as one file, to keep or to take to another server. */
export function ArchiveCard() {
  const { data } = useStation();
  const make = useMakeArchive(data?.making);
  const ready = make.running ? undefined : make.result;
  return (
    <Card title="Export and import">
      <Text quiet size="small">
        All that is in the station as one file: records with their history, guides, keys, photos. Passwords are not in it; the
        originals of photos are, and may tell where they were taken.
      </Text>
      <JobState job={make} what="Exporting" />
      <Row gap="m" align="center">
        {ready && (
          <>
            <Box fill={240}>
              <Text strong>{`An archive of ${sayBytes(ready.bytes)} lies ready for a day`}</Text>
              <Text size="small" quiet>
                {sayContent(ready.content)}
              </Text>
            </Box>
            <DownloadButton
              label="Download"
              hint="Download the archive"
              url={() => urlOf('archive', { params: { id: ready.archive } })}
            />
          </>
        )}
        {/* One button all along, so that the focus has where to stay. */}
        <Button
          key="export"
          kind={ready ? 'quiet' : 'plain'}
          label={ready ? 'Export it again' : 'Export the station'}
          busy={make.running}
          onPress={() => make.begin(undefined)}
        />
      </Row>
      {data && <ReadArchive fresh={data.fresh} reading={data.reading} />}
    </Card>
  );
}
