import type { LearnAnswer } from '@plesion/contract';
import { View } from 'react-native';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { PageHeading } from '../../ui/PageHeading';
import { Text } from '../../ui/Text';
import { LearnedReport } from './LearnedSheet';

const MOST = 12;

/** What was learned and what it is worth, before the guide is opened. */
export function LearnResult({ result, onOpen }: { result: LearnAnswer; onOpen: (guideId: string) => void }) {
  return (
    <Screen foot={<Button kind="main" label="Open the guide" onPress={() => onOpen(result.guideId)} />}>
      <PageHeading>Learned</PageHeading>
      <Text quiet>{`${result.forms.length} forms, ${result.characters.length} characters.`}</Text>
      {(result.problems.length > 0 || result.leftOut.length > 0) && (
        <Notice kind="note" title="Left out">
          <View>
            {result.leftOut.map(({ name, why }) => (
              <Text key={name} size="small">{`Column “${name}”: ${why}.`}</Text>
            ))}
            {result.problems.slice(0, MOST).map((problem) => (
              <Text key={`${problem.line} ${problem.code}`} size="small">
                {problem.message}
              </Text>
            ))}
            {result.problems.length > MOST && <Text size="small" quiet>{`and ${result.problems.length - MOST} more rows`}</Text>}
          </View>
        </Notice>
      )}
      <LearnedReport crossValidation={result.crossValidation} ratios={result.ratios} choice={result.choice} />
    </Screen>
  );
}
