import type { LearnAnswer } from '@plesion/contract';
import { View } from 'react-native';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Words } from '../../ui/Words';
import { LearnedReport } from './LearnedSheet';

const MOST = 12;

/** What was learned and what it is worth, before the guide is opened. */
export function LearnResult({ result, onOpen }: { result: LearnAnswer; onOpen: (guideId: string) => void }) {
  return (
    <Screen foot={<Button kind="main" label="Open the guide" onPress={() => onOpen(result.guideId)} />}>
      <Words size="display" heading={1}>
        Learned
      </Words>
      <Words quiet>{`${result.forms.length} forms, ${result.characters.length} characters.`}</Words>
      {(result.problems.length > 0 || result.leftOut.length > 0) && (
        <Notice kind="note" title="Left out">
          <View>
            {result.leftOut.map(({ name, why }) => (
              <Words key={name} size="small">{`Column “${name}”: ${why}.`}</Words>
            ))}
            {result.problems.slice(0, MOST).map((problem) => (
              <Words key={`${problem.line} ${problem.code}`} size="small">
                {problem.message}
              </Words>
            ))}
            {result.problems.length > MOST && (
              <Words size="small" quiet>{`and ${result.problems.length - MOST} more rows`}</Words>
            )}
          </View>
        </Notice>
      )}
      <LearnedReport crossValidation={result.crossValidation} ratios={result.ratios} choice={result.choice} />
    </Screen>
  );
}
