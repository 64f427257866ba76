import type { Colony } from '@plesion/contract/colony';
import type { Pairing } from '@plesion/contract/pairings';
import { isOpen } from '@plesion/core/colony';
import { dayAfter } from '@plesion/core/fieldwork';
import type { Guide } from '@plesion/core/guide';
import { useRouter } from 'expo-router';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { sayPair } from './words';

/** Who is together, and what they are on. */
export function PairingsCard({ guide, guideId, colony }: { guide: Guide; guideId: string; colony: Colony }) {
  const router = useRouter();
  const [now, before] = [colony.pairings.filter(({ until }) => !until), colony.pairings.filter(({ until }) => until)];
  const row = (pairing: Pairing) => (
    <LinkBox key={pairing.id} href={`/field/colony/pairings/${pairing.id}?guide=${guideId}`} padY="xs" ruled="above">
      <Stack gap="hair" fill>
        <Text strong color={colour.kelp}>
          {sayPair(pairing, colony.members)}
        </Text>
        <Text size="small" quiet>
          {[pairing.pen, `from ${sayDate(pairing.from)}`, sayClutches(pairing, guide.heredity?.incubation)]
            .filter(Boolean)
            .join(' · ')}
        </Text>
      </Stack>
    </LinkBox>
  );
  return (
    <Card title="Together" aside={now.length ? String(now.length) : undefined}>
      {now.length === 0 && <Text quiet>Nobody is together now.</Text>}
      {now.map(row)}
      <Row justify="end">
        {colony.members.length > 1 && (
          <>
            <Button small label="Which pair would do best?" onPress={() => router.push(`/field/colony/pairs?guide=${guideId}`)} />
            <Button small label="Five generations on" onPress={() => router.push(`/field/colony/ahead?guide=${guideId}`)} />
          </>
        )}
        <Button small label="New pairing" onPress={() => router.push(`/field/colony/pairings/new?guide=${guideId}`)} />
      </Row>
      {before.length > 0 && <Disclosure title={`Taken apart (${before.length})`}>{before.map(row)}</Disclosure>}
    </Card>
  );
}

/** How many clutches there were, and when the next hatches. */
function sayClutches({ clutches }: Pairing, incubation: number | undefined): string | undefined {
  if (!clutches.length) return undefined;
  const open = clutches.filter(isOpen);
  const due = open.length && incubation !== undefined ? dayAfter(open[0].laid, incubation) : undefined;
  const said = `${clutches.length} ${clutches.length === 1 ? 'clutch' : 'clutches'}`;
  return due ? `${said}, due ${sayDate(due)}` : said;
}
