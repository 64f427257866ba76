import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import type { Goal } from './goals';

interface Props {
  text: string;
  /** Where it is mended, if anywhere in the editor. */
  goal?: Goal;
  go: (goal: Goal) => void;
}

/** A line of what a draft says back, with the way to where it is mended. */
export const GoalLine = ({ text, goal, go }: Props) =>
  goal ? (
    <Row align="center" oneLine>
      <Text fill>{text}</Text>
      <Button small kind="quiet" label="Go to it" hint={`Go to it: ${text}`} onPress={() => go(goal)} />
    </Row>
  ) : (
    <Text>{text}</Text>
  );
