import { type CompiledGuide, disagreementsOf } from '@plesion/core/guide';
import { View } from 'react-native';
import { colour } from '../../theme';
import { Card } from '../../ui/Card';
import { Text } from '../../ui/Text';
import { sayScore } from '../judgement/sayScore';

/** Where the sources contradict each other on a form: what each of them says. */
export function DisputesOf({ compiled, form }: { compiled: CompiledGuide; form: number }) {
  const { guide } = compiled;
  const disputes = disagreementsOf(compiled).filter(({ forms }) => forms.includes(form));
  if (disputes.length === 0) return null;
  return (
    <Card title="Where the sources contradict each other">
      {disputes.map(({ character: id, said }) => {
        const character = guide.characters.find((one) => one.id === id)!;
        return (
          <View key={id}>
            <Text size="small" strong>
              {character.label}
            </Text>
            {said.map(({ source, score }) => (
              <Text key={source} size="small" color={colour.against}>
                {`${guide.sources.find((one) => one.id === source)?.label}: ${sayScore(character, score.value)}`}
              </Text>
            ))}
          </View>
        );
      })}
    </Card>
  );
}
