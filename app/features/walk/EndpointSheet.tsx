import { inHundred } from '@plesion/core/evidence';
import type { KeyEndpoint } from '@plesion/core/keys';
import { memo } from 'react';
import { Card } from '../../ui/Card';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { WrittenName } from '../../ui/WrittenName';
import { compiledOf } from '../records/compiled';
import { formPlate, mainView } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import type { OpenWalk } from './useWalk';
import { Bar } from '../../ui/Bar';
import { Box } from '../../ui/Box';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';

const SHOWN = 5;

/** Where the walk may end, with the readings' own opinion beside it. */
export const EndpointSheet = memo(function EndpointSheet({ bench }: { bench: OpenWalk }) {
  const { endpoints, lost } = bench.result;
  const told = endpoints.some(({ byReadings }) => byReadings !== undefined) && bench.specimens.length > 0;
  return (
    <Card title="Where it may end" aside="by the key">
      {endpoints.slice(0, SHOWN).map((endpoint) => (
        <EndpointRow key={endpoint.taxon} bench={bench} endpoint={endpoint} told={told} />
      ))}
      {endpoints.length > SHOWN && (
        <Text
          size="small"
          quiet
        >{`and ${endpoints.length - SHOWN} more, ${inHundred(endpoints.slice(SHOWN).reduce((sum, { p }) => sum + p, 0))} between them`}</Text>
      )}
      {lost > 0.005 && <Text size="small" quiet>{`${inHundred(lost)} leads nowhere: the key needs mending there.`}</Text>}
    </Card>
  );
});

function EndpointRow({ bench, endpoint, told }: { bench: OpenWalk; endpoint: KeyEndpoint; told: boolean }) {
  const guide = bench.guide?.guide;
  const known = guide?.taxa.some(({ id }) => id === endpoint.taxon);
  const form = guide && compiledOf(guide).forms.find(({ taxon }) => taxon === endpoint.taxon);
  const plate = form && formPlate(guide, form.id, mainView(guide), 'thumb');
  return (
    <Row align="center" oneLine>
      <Box align="center" justify="center" wide={46} tall={46} round="s" tone="paper">
        {plate && <PlateView plate={plate} width={46} height={46} />}
      </Box>
      <Stack gap="hair" fill>
        {known ? (
          <TaxonName guide={guide} taxon={endpoint.taxon} size={16} lines={1} />
        ) : (
          <WrittenName name={endpoint.name} lines={1} />
        )}
        <Bar part={endpoint.p} tone="for" />
        <Text size="small" figures quiet>
          {told && endpoint.byReadings !== undefined
            ? `${inHundred(endpoint.p)} · readings ${endpoint.byReadings < 0.005 ? 'under 1 in 100' : inHundred(endpoint.byReadings)}`
            : inHundred(endpoint.p)}
        </Text>
      </Stack>
    </Row>
  );
}
