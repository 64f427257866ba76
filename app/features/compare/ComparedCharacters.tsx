import type { ComparedCharacter, Comparison } from '@plesion/core/compare';
import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { ComparedCharacterRow } from './ComparedCharacterRow';

/** Those that separate, and the traps, drawn in full; the rest in a line, until they are asked for. */
export function ComparedCharacters({
  guide,
  comparison,
  names,
}: {
  guide: Guide;
  comparison: Comparison;
  names: readonly string[];
}) {
  const [all, setAll] = useState(false);
  const telling = ({ separation, trap }: ComparedCharacter) => trap || separation !== 'does not separate';
  const shown = comparison.characters.filter((character) => all || telling(character));
  const rest = comparison.characters.filter((character) => !telling(character));
  return (
    <>
      <Row gap="m">
        {shown.map((character) => (
          <Box key={character.character} fill={330} most="all">
            <ComparedCharacterRow
              character={character}
              names={names}
              unit={guide.characters.find((c) => c.id === character.character)?.unit}
            />
          </Box>
        ))}
      </Row>
      {rest.length > 0 && (
        <Card
          title="Does not separate these"
          aside={
            <Button
              small
              kind="quiet"
              label={all ? 'Hide' : 'Show drawn'}
              hint="Show the characters that do not separate"
              onPress={() => setAll(!all)}
            />
          }
        >
          <Text size="small" quiet>
            {`${rest.map(({ label, overlap }) => `${label} (${Math.round(overlap * 100)} in 100 alike)`).join(', ')}.`}
          </Text>
        </Card>
      )}
    </>
  );
}
