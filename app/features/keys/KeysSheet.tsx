import type { KeyRow } from '@plesion/contract';
import { useRouter } from 'expo-router';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { useKeys } from '../records/useKeys';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';

/** The keys of a guide, or of the station, and the ways to more. */
export function KeysSheet({ guideId }: { guideId?: string }) {
  const router = useRouter();
  const keys = useKeys(guideId);
  return (
    <Card title="Keys" aside={keys.data && sayMany(keys.data.keys.length)}>
      {keys.error && <Failed error={keys.error} retry={() => void keys.refetch()} />}
      {keys.data?.keys.map((row) => (
        <KeyLink key={row.id} row={row} />
      ))}
      {keys.data?.keys.length === 0 && (
        <Text size="small" quiet>
          None yet: read one in from print, or let one be made from the guide.
        </Text>
      )}
      <Row>
        <Button label="Import a key" onPress={() => router.push(guideId ? `/keys/read?guide=${guideId}` : '/keys/read')} />
        {guideId && <Button label="Make one from this guide" onPress={() => router.push(`/keys/make?guide=${guideId}`)} />}
      </Row>
    </Card>
  );
}

const sayMany = (n: number) => (n === 0 ? undefined : n === 1 ? '1 key' : `${n} keys`);

export function KeyLink({ row, href }: { row: KeyRow; href?: string }) {
  return (
    <LinkBox href={href ?? `/keys/${row.id}`} across oneLine pad="m" ruled="round" ruledIn="hairline" round="m" tone="paper">
      <Stack gap="hair" fill>
        <Text strong>{row.title}</Text>
        <Text size="small" quiet>
          {[
            `${row.couplets} couplets`,
            `${row.endpoints} endings`,
            row.faults > 0 && `${row.faults} to mend`,
            row.version > 1 && `version ${row.version}`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Text>
        {row.summary && (
          <Text size="small" quiet numberOfLines={2}>
            {row.summary}
          </Text>
        )}
      </Stack>
    </LinkBox>
  );
}
