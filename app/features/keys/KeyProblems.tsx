import type { StoredKey } from '@plesion/contract';
import { useState } from 'react';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { PressBox } from '../../ui/PressBox';
import { Text } from '../../ui/Text';

/** Problems shown at first. */
const PORTION = 20;

/** What is wrong with a key, faults first; each opens its couplet. */
export function KeyProblems({ problems, onOpen }: { problems: StoredKey['problems']; onOpen?: (couplet: string) => void }) {
  const [shown, setShown] = useState(PORTION);
  if (problems.length === 0) {
    return (
      <Card title="Checked">
        <Text size="small" quiet>
          Every couplet is reached and leads on, every lead has its contrast, and nothing overlaps.
        </Text>
      </Card>
    );
  }
  const faults = problems.filter(({ weight }) => weight === 'fault');
  const cautions = problems.filter(({ weight }) => weight === 'caution');
  return (
    <Card
      title="Checked"
      aside={[faults.length && `${faults.length} to mend`, cautions.length && `${cautions.length} to consider`]
        .filter(Boolean)
        .join(' · ')}
    >
      {[...faults, ...cautions].slice(0, shown).map((problem, i) => (
        <PressBox
          key={i}
          role="button"
          disabled={!problem.couplet || !onOpen}
          onPress={() => problem.couplet && onOpen?.(problem.couplet)}
          gap="m"
          align="center"
          touch
          across
          oneLine
        >
          <Box
            align="center"
            least={72}
            padY="hair"
            ruled="round"
            ruledIn={problem.weight === 'fault' ? 'hazard' : 'hairline'}
            tone={problem.weight === 'fault' ? 'hazardWash' : undefined}
            round="s"
          >
            <Text size="small" strong color={problem.weight === 'fault' ? colour.hazard : colour.quiet}>
              {problem.weight === 'fault' ? 'mend' : 'consider'}
            </Text>
          </Box>
          <Text size="small" fill>
            {problem.message}
          </Text>
        </PressBox>
      ))}
      {problems.length > shown && (
        <Button small label={`Show all ${problems.length}`} onPress={() => setShown(problems.length)} />
      )}
    </Card>
  );
}
