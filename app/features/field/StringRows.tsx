import { readBack } from '@plesion/core/fieldwork';
import { colour } from '../../theme';
import { Reckoned } from '../../ui/Reckoned';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import type { LoadedString } from './useField';
import { inWords } from './words';

/** Rings on the pliers: the next, what is left, what was passed over. */
export function StringRows({ strings }: { strings: readonly LoadedString[] }) {
  if (strings.length === 0) return <Text quiet>No string of rings is loaded.</Text>;
  return strings.map(({ string, standing }) => (
    <Stack key={string.id} gap="hair" padY="xs" ruled="above">
      <Row gap="m" align="baseline">
        <Text size="small" quiet>{`size ${string.size}`}</Text>
        <Text strong figures>
          {standing.next ? `next ${readBack(standing.next)}` : 'used up'}
        </Text>
      </Row>
      <Reckoned says="Put on: rings of this string in captures that are not removed, those waiting on this device too. Left: from the first ring to the last, less those put on, destroyed or lost.">
        <Text size="small" quiet={standing.left > FEW} color={standing.left > FEW ? undefined : colour.hazard}>
          {[
            `${standing.left} left`,
            `${standing.used} put on`,
            standing.unused > 0 && `${inWords(standing.unused, 'ring')} destroyed or lost`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Text>
      </Reckoned>
      {standing.gaps.length > 0 && (
        <Text size="small" color={colour.hazard}>
          {`Passed over: ${standing.gaps.slice(0, 4).map(readBack).join(', ')}${standing.gaps.length > 4 ? ` and ${standing.gaps.length - 4} more` : ''}`}
        </Text>
      )}
      {standing.twice.length > 0 && (
        <Text size="small" color={colour.hazard}>{`Put on twice: ${standing.twice.map(readBack).join(', ')}`}</Text>
      )}
    </Stack>
  ));
}

/** Rings left that are called few. */
const FEW = 20;
