import type { Placed } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { type Field } from '../field/useField';
import { inWords, kindName } from '../field/words';
import type { Cluster } from './clusters';

const KINDS = 6;
const SHOWN = 12;

interface InSightProps {
  clusters: readonly Cluster[];
  chosen?: Cluster;
  onChoose: (cluster: Cluster | undefined) => void;
  field: Field;
  guides: readonly { id: string; guide: Guide }[];
}

/** The same as the marks, in words: each place, how many of which kinds, and the way to its site. */
export function InSight({ clusters, chosen, onChoose, field, guides }: InSightProps) {
  const shown = chosen ? [chosen] : clusters.slice(0, SHOWN);
  const siteOf = (id: string) => field.view.sites.find((site) => site.id === id);
  return (
    <Card
      title={chosen ? 'This mark' : 'Places'}
      aside={chosen ? <Button small kind="quiet" label="All places" onPress={() => onChoose(undefined)} /> : `${clusters.length}`}
    >
      {shown.length === 0 && <Text quiet>Nothing was recorded with a place in these months.</Text>}
      {shown.map((cluster) => {
        const sites = [...new Set(cluster.places.flatMap(({ siteId }) => siteId ?? []))].flatMap((id) => siteOf(id) ?? []);
        const name = sites.length ? sites.map((site) => site.name).join(', ') : sayPlace(cluster);
        return (
          <Stack key={cluster.key} gap="hair" padTop="xs" ruled="above">
            <Row gap="m" oneLine>
              <Text strong fill>
                {name}
              </Text>
              <Text figures strong color={colour.kelp}>
                {inWords(cluster.n, 'record')}
              </Text>
            </Row>
            <Text size="small" quiet>
              {sumsOf(cluster.places, guides)}
            </Text>
            <Row gap="m">
              {!chosen && <Button small kind="quiet" label="Show" hint={`Show ${name}`} onPress={() => onChoose(cluster)} />}
              {sites.slice(0, 4).map((site) => (
                <LinkBox key={site.id} href={`/field/sites/${site.id}`} justify="center" shrink>
                  <Text size="small" strong color={colour.kelp}>{`Site: ${site.name}`}</Text>
                </LinkBox>
              ))}
            </Row>
          </Stack>
        );
      })}
    </Card>
  );
}

export const sayPlace = ({ latitude, longitude }: { latitude: number; longitude: number }): string =>
  `${Math.abs(latitude).toFixed(3)}° ${latitude < 0 ? 'S' : 'N'}, ${Math.abs(longitude).toFixed(3)}° ${longitude < 0 ? 'W' : 'E'}`;

/** Kinds by how many of each, the most first. */
function sumsOf(places: readonly Placed[], guides: InSightProps['guides']): string {
  const sums = new Map<string, number>();
  for (const { guideId, taxon, name, n } of places) {
    const kind = kindName(guides.find(({ id }) => id === guideId)?.guide, { taxon, name });
    sums.set(kind, (sums.get(kind) ?? 0) + n);
  }
  const all = [...sums].sort((a, b) => b[1] - a[1]);
  const rest = all.slice(KINDS).reduce((sum, [, n]) => sum + n, 0);
  return [...all.slice(0, KINDS).map(([kind, n]) => `${n} ${kind}`), ...(rest ? [`${rest} others`] : [])].join(' · ');
}
