import { View } from 'react-native';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { PressBox } from '../../ui/PressBox';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { isWhole, pointsOf, type Step } from './steps';
import type { Table } from './table';

/** What is to be set, in its order, with where it lies: pressed, it is gone on with. */
export function LandmarkList({
  steps,
  table,
  onChoose,
}: {
  steps: readonly Step[];
  table: Table;
  onChoose: (id: string) => void;
}) {
  return (
    <Stack role="list" gap="xs">
      {steps.map((step, i) => {
        const at = table.active === step.id;
        return (
          <View key={step.id} role="listitem">
            <PressBox
              role="button"
              aria-pressed={at}
              onPress={() => onChoose(step.id)}
              across
              oneLine
              align="center"
              gap="s"
              touch
              padX="s"
              padY="xs"
              round="s"
              {...(at && AT)}
            >
              <Text strong color={colour.kelp} wide={22} set="centre">
                {i + 1}
              </Text>
              <Box fill>
                <Text strong={at}>{step.label}</Text>
                <Text size="small" quiet figures>
                  {`${isWhole(table.points, step) ? '✓ ' : ''}${sayPlace(step, table)}`}
                </Text>
              </Box>
            </PressBox>
          </View>
        );
      })}
    </Stack>
  );
}

/** "at 812, 440", "14 points", "not set". */
export function sayPlace({ id, kind }: Step, { points }: Table): string {
  const places = pointsOf(points, id);
  if (places.length === 0) return 'not set';
  if (kind === 'point') return `at ${places[0].map((c) => Math.round(c)).join(', ')}`;
  return `${places.length} ${places.length === 1 ? 'point' : 'points'}`;
}

const AT = { ruled: 'round', ruledIn: 'kelp', tone: 'kelpWash' } as const;
