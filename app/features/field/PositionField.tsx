import type { Fix } from '@plesion/core/fieldwork';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { WhereAmI } from './WhereAmI';

/** Where it was caught, as the device tells it; else it was at the site. */
export function PositionField({ fix, onFix }: { fix?: Fix; onFix: (fix: Fix | undefined) => void }) {
  return (
    <Stack gap="xs">
      <Text size="small" strong quiet>
        Position
      </Text>
      <Text size="small">{fix ? sayFix(fix) : 'At the site.'}</Text>
      <Row align="start">
        <WhereAmI label={fix ? 'Take it again' : 'From this device'} onFix={onFix} />
        {fix && <Button small kind="quiet" label="At the site" onPress={() => onFix(undefined)} />}
      </Row>
    </Stack>
  );
}

const sayFix = ({ latitude, longitude, accuracy }: Fix): string =>
  `${latitude.toFixed(5)}, ${longitude.toFixed(5)}${accuracy === undefined ? '' : `, at most ${accuracy} m off`}`;
