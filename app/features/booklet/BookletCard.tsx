import { schemas, urlOf } from '@plesion/contract';
import { api } from '../../lib/api';
import { useJob } from '../../lib/useJob';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { DownloadButton } from '../../ui/DownloadButton';
import { JobState } from '../../ui/JobState';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

const parse = (result: unknown) => schemas.BookletMade.parse(result);

/** A guide on paper: for where there is no light to read a screen by, and no battery. */
export function BookletCard({ id }: { id: string }) {
  const print = useJob(() => api('printGuide', { params: { id } }), parse, 'booklets');
  const ready = print.running ? undefined : print.result;
  return (
    <Card title="On paper">
      <Text quiet size="small">
        A booklet of A5: plates of all it tells apart, a key, each taxon on its page, words, sources, and an index of all names.
      </Text>
      <JobState job={print} what="Printing" stopped="Stopped; nothing was printed." />
      <Row gap="m" align="center">
        {ready && (
          <DownloadButton
            label="Download"
            hint="Download the booklet"
            url={() => urlOf('booklet', { params: { id: ready.booklet } })}
          />
        )}
        {/* One button all along, so that the focus has where to stay. */}
        <Button
          key="print"
          kind={ready ? 'quiet' : 'plain'}
          label={ready ? 'Print it again' : 'Print a booklet'}
          busy={print.running}
          onPress={() => print.begin(undefined)}
        />
      </Row>
    </Card>
  );
}
