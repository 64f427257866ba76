import type { LookedOver } from '@plesion/core/authoring';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { FirstOf } from '../../ui/FirstOf';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { oneGroup } from './dependence';
import { wordsOf } from './lookLists';
import type { PartProps } from './WritingScreen';

interface Props extends Pick<PartProps, 'draft' | 'edit'> {
  together: LookedOver['together'];
}

/** Marks that part the kinds alike: where one follows from the other they are put into one group, and count less. */
export function TogetherCard({ draft, edit, together }: Props) {
  const { label } = wordsOf(draft);
  return (
    <Card title="Do these hang together?" aside={`${together.length}`}>
      <Text quiet>
        They part the kinds in the same way. Where one follows from the other, two of them say little more than one.
      </Text>
      <FirstOf of={together} keyOf={({ a, b }) => `${a} ${b}`} what="pairs">
        {({ a, b, taxa }) => (
          <Row align="center">
            <Text fill={200}>{`${label(a)} and ${label(b)}: in all ${taxa} kinds`}</Text>
            <Button
              small
              label="Group them"
              hint={`Group them: ${label(a)} and ${label(b)}`}
              onPress={() => edit(...oneGroup(draft, [a, b]))}
            />
          </Row>
        )}
      </FirstOf>
    </Card>
  );
}
