import type { Guide } from '@plesion/core/guide';
import { View } from 'react-native';
import { Box } from '../../ui/Box';
import { LinkBox } from '../../ui/LinkBox';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { inWorkingOrder } from '../analysis/readings';
import { WithGuide } from '../records/WithGuide';
import { StateTile } from '../plates/StateTile';

/** Every character of a guide in the order of work, each with its states drawn. */
export function CharactersPage({ id }: { id: string }) {
  return (
    <WithGuide id={id} what="The characters">
      {({ guide }) => <Characters id={id} guide={guide} />}
    </WithGuide>
  );
}

function Characters({ id, guide }: { id: string; guide: Guide }) {
  return (
    <Screen widest={1080}>
      <View>
        <PageHeading>Characters</PageHeading>
        <Text quiet>{`${guide.title}, in the order of work`}</Text>
      </View>
      {inWorkingOrder(guide).map(({ group, label, characters }) => (
        <Card key={group} title={label}>
          <Stack>
            {characters.map((character) => (
              <LinkBox
                key={character.id}
                href={{ pathname: '/guides/[id]/character', params: { id, character: character.id } }}
                gap="m"
                align="center"
                padX="s"
                padY="s"
                round="m"
                tone="paper"
                across
                oneLine
              >
                <Box fill>
                  <Text strong>{character.label}</Text>
                  <Text size="small" quiet numberOfLines={2}>
                    {character.states?.map((state) => state.label).join(' · ') ?? sayKind(character)}
                  </Text>
                </Box>
                <Row gap="xs" oneLine>
                  {character.states?.slice(0, 3).map(({ id: state }) => (
                    <StateTile key={state} guide={guide} character={character} state={state} size={48} />
                  ))}
                </Row>
              </LinkBox>
            ))}
          </Stack>
        </Card>
      ))}
    </Screen>
  );
}

const sayKind = ({ kind, unit, parts }: Guide['characters'][number]): string =>
  parts ? `${parts.numerator} ÷ ${parts.denominator}` : unit ? `measured in ${unit}` : kind === 'count' ? 'counted' : kind;
