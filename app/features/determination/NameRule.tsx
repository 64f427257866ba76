import type { Standing } from '@plesion/core/evidence';
import type { Reading } from '@plesion/core/observation';
import { sayMisreading, sayRule } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { View } from 'react-native';
import { space } from '../../theme';
import { Text } from '../../ui/Text';

interface NameRuleProps {
  guide: Guide;
  answer: Standing;
  readings: readonly Reading[];
  /** The taxon chosen, recommended or otherwise. */
  taxon?: string;
}

/** The rule that the name stands by, and what the worst single misreading would do to the name chosen. */
export function NameRule({ guide, answer, readings, taxon }: NameRuleProps) {
  const { verdicts } = answer.call;
  const verdict = verdicts.findLast(({ group, level }) => level.kind === 'rank' && group === taxon);
  const wrong = verdict && sayMisreading(guide, readings, verdict);
  return (
    <View style={{ gap: space.xs }}>
      <Text size="small" quiet testID="rule">
        {sayRule(guide)}
      </Text>
      {wrong && (
        <Text size="small" testID="misreading">
          {wrong}
        </Text>
      )}
    </View>
  );
}
