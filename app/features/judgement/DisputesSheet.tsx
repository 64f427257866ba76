import type { Standing } from '@plesion/core/evidence';
import { inHundred } from '@plesion/core/evidence';
import type { Guide, Judgement } from '@plesion/core/guide';
import { useState } from 'react';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { followingFirst } from './policy';
import { sayScore } from './sayScore';

interface DisputesSheetProps {
  guide: Guide;
  answer: Standing;
  judgement: Judgement;
  onJudge: (judgement: Judgement) => void;
}

const FIRST = 3;

/** Where the sources contradict each other on what is still possible: both are shown, and the person chooses. */
export function DisputesSheet({ guide, answer, judgement, onJudge }: DisputesSheetProps) {
  const [all, setAll] = useState(false);
  const disputes = answer.disagreements;
  if (disputes.length === 0) return null;
  const nameOf = (id: string) =>
    answer.taxa.find(({ taxon }) => taxon === id)?.name ?? guide.taxa.find((t) => t.id === id)?.name ?? id;
  const shown = all ? disputes : disputes.slice(0, FIRST);
  return (
    <Card title="The sources disagree" aside={`${disputes.length} ${disputes.length === 1 ? 'place' : 'places'}`}>
      {shown.map((dispute) => {
        const character = guide.characters.find(({ id }) => id === dispute.character)!;
        return (
          <Stack key={`${dispute.character} ${dispute.taxa.join()}`} padBottom="s">
            <Text size="small">
              <Text size="small" strong>
                {character.label}
              </Text>
              {` of ${dispute.taxa.map(nameOf).join(', ')}${dispute.read ? ', which you read' : ''}`}
            </Text>
            {dispute.said.map(({ source, label, value, p }) => (
              <Row key={source} oneLine align="center" gap="m" ruled="left" ruledIn="hairline" thick round="s" padLeft="m">
                <Box fill>
                  <Text size="small" strong color={colour.kelp}>
                    {label}
                  </Text>
                  <Text size="small">{sayScore(character, value)}</Text>
                  {p !== undefined && (
                    <Text size="small" quiet>
                      {`by it, ${answer.beam.left.label} is ${inHundred(p)}`}
                    </Text>
                  )}
                </Box>
                <Button
                  small
                  label="Follow"
                  hint={`Follow ${label} first`}
                  onPress={() => onJudge({ ...judgement, policy: followingFirst(guide, judgement.policy, source) })}
                />
              </Row>
            ))}
          </Stack>
        );
      })}
      {disputes.length > FIRST && (
        <Button small kind="quiet" label={all ? 'Show fewer' : `Show all ${disputes.length}`} onPress={() => setAll(!all)} />
      )}
    </Card>
  );
}
